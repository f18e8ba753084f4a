/** A broken promise inside our own code. Bad input never comes this far: it gets a refusal. */
export function assert(condition: boolean, what: string): asserts condition {
  if (!condition) throw new Error(`broken promise: ${what}`)
}
