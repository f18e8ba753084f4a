import { randomBytes } from 'node:crypto'
import { Secret, TOTP } from 'otpauth'
import type { Sequelize } from 'sequelize'
import type { FactorsState, Person, TotpBegun } from '@vivid/contract'
import { AppError } from '../../platform/http/app-error'
import type { Seal } from '../../platform/database/seal'
import { hashOfSecret } from '../../platform/http/secret'
import type { DoorRecord } from './door-record'
import type { PasskeysStore } from './passkeys-store'
import type { PeopleStore } from './people-store'

const RECOVERY_CODES = 10
/** A clock may be so many steps of 30 seconds off, either way (RFC 6238, 5.2). */
const WINDOW = 1

export interface SecondFactorsDeps {
  readonly database: Sequelize
  readonly people: PeopleStore
  readonly passkeys: PasskeysStore
  readonly door: DoorRecord
  readonly seal: Seal
  readonly lender: string
  readonly now: () => Date
}

export type SecondFactors = ReturnType<typeof createSecondFactors>

/** What a person has besides a password: codes by time (RFC 6238), passkeys, and codes for when all else is lost. */
export function createSecondFactors({
  database,
  people,
  passkeys,
  door,
  seal,
  lender,
  now,
}: SecondFactorsDeps) {
  const useOf = (id: string) => `codes of ${id}`
  const totpOf = (secret: string, email: string) =>
    new TOTP({
      issuer: lender.replaceAll(':', ' '),
      label: email.replaceAll(':', ' '),
      secret: Secret.fromBase32(secret),
    })

  /** The step of time a code is of; undefined where it is none of now. */
  function stepOf(secret: string, code: string): number | undefined {
    const timestamp = now().getTime()
    const totp = totpOf(secret, 'x')
    const delta = totp.validate({ token: code.replace(/\s/g, ''), timestamp, window: WINDOW })
    return delta === null ? undefined : totp.counter({ timestamp }) + delta
  }

  async function state({ id }: Pick<Person, 'id'>): Promise<FactorsState> {
    const [{ totpSecret, recoveryHashes }, keys] = await Promise.all([people.factorsOf(id), passkeys.of(id)])
    return {
      totp: totpSecret !== null,
      recoveryLeft: recoveryHashes.length,
      passkeys: keys.map(({ id: key, name, madeAt, lastUsed }) => ({
        id: key,
        name,
        madeAt: madeAt.toISOString(),
        lastUsed: lastUsed?.toISOString() ?? null,
      })),
    }
  }

  async function newRecovery(id: string): Promise<string[]> {
    const codes = Array.from({ length: RECOVERY_CODES }, () =>
      (randomBytes(10).toString('hex').match(/.{5}/g) ?? []).join('-'),
    )
    await people.setFactors(id, { recoveryHashes: codes.map(hashOfSecret) })
    return codes
  }

  return {
    state,
    /** Which of them a person has to give one of; none: the password is enough. */
    async needed(id: string): Promise<readonly ('totp' | 'passkey')[]> {
      const has = await state({ id })
      return [
        ...(has.totp ? (['totp'] as const) : []),
        ...(has.passkeys.length > 0 ? (['passkey'] as const) : []),
      ]
    },

    /** A secret for an application that makes codes; nothing of it is kept until a code proves that it took it. */
    begin({ email }: Pick<Person, 'email'>): TotpBegun {
      const secret = new Secret({ size: 20 }).base32
      return { secret, uri: totpOf(secret, email).toString() }
    },
    /** Takes a secret over once its code is right; with the first one come codes for when it is lost. */
    async confirm(person: Person, secret: string, code: string): Promise<string[]> {
      const step = stepOf(secret, code)
      if (step === undefined) throw new AppError('CODE_WRONG', { field: 'code' })
      await people.setFactors(person.id, {
        totpSecret: seal.close(secret, useOf(person.id)),
        totpLastStep: step,
      })
      await door.note('secondFactorSet', person, { what: 'codes by time' })
      return newRecovery(person.id)
    },
    async removeTotp(person: Person): Promise<void> {
      await people.setFactors(person.id, { totpSecret: null, totpLastStep: null })
      await door.note('secondFactorRemoved', person, { what: 'codes by time' })
    },
    async recoveryAnew(person: Person): Promise<string[]> {
      const codes = await newRecovery(person.id)
      await door.note('secondFactorSet', person, { what: 'codes for when all else is lost' })
      return codes
    },

    /** Whether a code is right: one of now that was not used yet, or one for when all else is lost, which it uses up. */
    check: (person: Pick<Person, 'id' | 'name'>, code: string): Promise<boolean> =>
      database.transaction(async (transaction) => {
        const { totpSecret, totpLastStep, recoveryHashes } = await people.factorsLocked(
          person.id,
          transaction,
        )
        const secret = totpSecret === null ? undefined : seal.open(totpSecret, useOf(person.id))
        const step = secret === undefined ? undefined : stepOf(secret, code)
        if (secret !== undefined && step !== undefined && step > Number(totpLastStep ?? -1)) {
          // Closed anew: with the present key, and where it was kept before there was a seal.
          const closed = seal.close(secret, useOf(person.id))
          await people.setFactors(person.id, { totpSecret: closed, totpLastStep: step }, transaction)
          return true
        }
        const hash = hashOfSecret(code.trim().toLowerCase())
        if (!recoveryHashes.includes(hash)) return false
        const left = recoveryHashes.filter((one) => one !== hash)
        await people.setFactors(person.id, { recoveryHashes: left }, transaction)
        await door.note('recoveryUsed', person, { left: String(left.length) })
        return true
      }),
  }
}
