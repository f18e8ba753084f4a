import type { PeopleChanged, PersonListed, RecordPage } from '@vivid/contract'
import { TestClient, type TestServer } from './test-server'

/** One that nobody guesses. */
export const PASSWORD = 'slack water at noon'

export const nobody = (server: TestServer) => new TestClient(server.address)

/** The secret of the last link that was sent to somebody. */
export const secretFor = (server: TestServer, email: string) => {
  const letter = [...server.letters].reverse().find(({ to }) => to.address === email)
  return /#(\S+)/.exec(letter?.text ?? '')?.[1]
}

/** Those who are at the desk or were, as a keeper sees them. */
export const people = async (keeper: TestClient) =>
  (await keeper.ask<PersonListed[]>('GET', '/api/people')).body

export const named = async (keeper: TestClient, name: string) => {
  const found = (await people(keeper)).find((one) => one.name === name)
  if (!found) throw new Error(`nobody is called ${name}`)
  return found
}

/** What was done with somebody, newest first. */
export const actsOf = async (server: TestServer, id: string) =>
  (
    await (await nobody(server).signIn('kofi')).ask<RecordPage>('GET', `/api/record?id=${id}`)
  ).body.entries.map(({ act }) => act)

export const change = (keeper: TestClient, { id, name, role, active }: PersonListed, fields: object) =>
  keeper.ask<PeopleChanged & { code?: string }>('PUT', `/api/people/${id}`, { name, role, active, ...fields })
