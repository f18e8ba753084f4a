import type {
  AuthenticationResponseJSON,
  AuthenticatorTransport,
  RegistrationResponseJSON,
} from '@simplewebauthn/server'
import type { Request } from 'express'
import type { Person } from '@vivid/contract'
import { AppError } from '../../platform/http/app-error'
import type { DoorRecord } from './door-record'
import type { PasskeysStore } from './passkeys-store'

/** Read when the first passkey is asked for: it would be a third of all that a start has to read. */
const webAuthn = () => import('@simplewebauthn/server')

/** Where this server is reached, as the browser says it: what passkeys are bound to (W3C Web Authentication, 5.1). */
export interface Where {
  readonly origin: string
  readonly host: string
}

/** Its public address, or, where none is set, what it was reached by. */
export function whereIs(req: Request, publicUrl: string | undefined): Where {
  const origin = publicUrl ?? `${req.protocol}://${req.headers.host ?? ''}`
  return { origin, host: new URL(origin).hostname }
}

export type Passkeys = ReturnType<typeof createPasskeys>

/** Keys that a person's own device keeps and unlocks for this site only: with them nobody needs a password. */
export function createPasskeys(store: PasskeysStore, door: DoorRecord, lender: string) {
  const transportsOf = (transports: readonly string[]) => transports as AuthenticatorTransport[]

  return {
    async beginAdding({ id, email, name }: Person, { host }: Where) {
      const known = await store.of(id)
      return (await webAuthn()).generateRegistrationOptions({
        rpName: lender,
        rpID: host,
        userID: new TextEncoder().encode(id),
        userName: email,
        userDisplayName: name,
        excludeCredentials: known.map((key) => ({ id: key.id, transports: transportsOf(key.transports) })),
        authenticatorSelection: { residentKey: 'preferred', userVerification: 'required' },
      })
    },
    async add(
      person: Person,
      called: string,
      response: unknown,
      expectedChallenge: string,
      { origin, host }: Where,
    ): Promise<void> {
      const { verifyRegistrationResponse } = await webAuthn()
      const verified = await verifyRegistrationResponse({
        response: response as RegistrationResponseJSON,
        expectedChallenge,
        expectedOrigin: origin,
        expectedRPID: host,
        requireUserVerification: true,
      }).catch(refused)
      if (!verified.verified || !verified.registrationInfo) throw new AppError('PASSKEY_REFUSED')
      const { credential } = verified.registrationInfo
      await store.add({
        id: credential.id,
        personId: person.id,
        publicKey: Buffer.from(credential.publicKey).toString('base64url'),
        counter: String(credential.counter),
        transports: credential.transports ?? [],
        name: called,
      })
      await door.note('secondFactorSet', person, { what: `the passkey ${called}` })
    },
    async remove(person: Person, id: string): Promise<void> {
      if (!(await store.remove(id, person.id))) throw new AppError('PASSKEY_UNKNOWN')
      await door.note('secondFactorRemoved', person, { what: 'a passkey' })
    },

    /** What a device has to sign; `personId`: of whom a password was right already. */
    async beginUsing({ host }: Where, personId: string | undefined) {
      const own = personId === undefined ? [] : await store.of(personId)
      return (await webAuthn()).generateAuthenticationOptions({
        rpID: host,
        userVerification: 'required',
        allowCredentials: own.map((key) => ({ id: key.id, transports: transportsOf(key.transports) })),
      })
    },
    /** Whose passkey it is that signed; refused where it is none that is known here. */
    async use(response: unknown, expectedChallenge: string, { origin, host }: Where): Promise<string> {
      const given = response as AuthenticationResponseJSON
      const key = typeof given?.id === 'string' ? await store.byId(given.id) : undefined
      if (!key) throw new AppError('PASSKEY_REFUSED')
      const { verifyAuthenticationResponse } = await webAuthn()
      const verified = await verifyAuthenticationResponse({
        response: given,
        expectedChallenge,
        expectedOrigin: origin,
        expectedRPID: host,
        requireUserVerification: true,
        credential: {
          id: key.id,
          publicKey: new Uint8Array(Buffer.from(key.publicKey, 'base64url')),
          counter: Number(key.counter),
          transports: transportsOf(key.transports),
        },
      }).catch(refused)
      if (!verified.verified) throw new AppError('PASSKEY_REFUSED')
      await store.used(key.id, verified.authenticationInfo.newCounter)
      return key.personId
    },
  }
}

function refused(cause: unknown): never {
  throw new AppError('PASSKEY_REFUSED', { cause })
}
