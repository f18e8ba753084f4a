/** What the demo lender has ticked before an edition goes live. */
export const demoChecklist: readonly string[] = [
  'Every text was read, in each language.',
  'The rates are those of today’s rate notice.',
  'The figures of the sample visitors were worked out a second time.',
]
