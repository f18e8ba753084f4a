import type {
  PublicKeyCredentialCreationOptionsJSON,
  PublicKeyCredentialRequestOptionsJSON,
} from '@simplewebauthn/browser'
import { z } from 'zod'
import { request } from '../shared/api/request'

/** What the server asks a device to sign, or to make; made for the browser by the server's own library. */
const ToSign = z.custom<PublicKeyCredentialRequestOptionsJSON>(isObject)
const ToMake = z.custom<PublicKeyCredentialCreationOptionsJSON>(isObject)

/** Whether this browser knows passkeys, and this address may have them (they are never for a bare number). */
export const mayUsePasskeys = (): boolean =>
  'PublicKeyCredential' in window && !/^[\d.:[\]]+$/.test(window.location.hostname)

/** Has the person's device sign what the server asks for. */
export async function signWithPasskey(): Promise<unknown> {
  const [{ startAuthentication }, optionsJSON] = await Promise.all([
    import('@simplewebauthn/browser'),
    request(ToSign, 'POST', '/session/passkey/options', {}),
  ])
  return startAuthentication({ optionsJSON })
}

/** Has the person's device make a new key for this site. */
export async function makePasskey(): Promise<unknown> {
  const [{ startRegistration }, optionsJSON] = await Promise.all([
    import('@simplewebauthn/browser'),
    request(ToMake, 'POST', '/me/factors/passkeys/options', {}),
  ])
  return startRegistration({ optionsJSON })
}

function isObject(given: unknown): boolean {
  return typeof given === 'object' && given !== null
}
