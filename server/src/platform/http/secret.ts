import { createHash, randomBytes } from 'node:crypto'

/** A secret nobody guesses: 192 random bits, as it can stand in an address. */
export const newSecret = (): string => randomBytes(24).toString('base64url')

/** What the database knows a secret by. Of 192 random bits no slow hash is needed. */
export const hashOfSecret = (secret: string): string => createHash('sha256').update(secret).digest('hex')
