/** Whether something from outside is an object at all, so that its fields can be asked for. */
export const isObject = (value: unknown): value is object =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** Whether something from outside is one of the names of a table. */
export const isOneOf = <T extends object>(name: unknown, table: T): name is keyof T =>
  typeof name === 'string' && Object.hasOwn(table, name)
