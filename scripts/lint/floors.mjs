// @ts-check
/**
 * The house, floor by floor: each folder may import from those that stand before it, and nothing else of its room. So no two
 * folders import each other, and a change is felt only above it. Folders in one list stand side by side: none imports another.
 * Files of the room itself stand above all.
 * @type {Readonly<Record<string, readonly (string | readonly string[])[]>>}
 */
export const floors = {
  'core/src': [
    'guards',
    'money',
    'dates',
    'rates',
    'loan',
    'search',
    'lending',
    'cost',
    'formula',
    'calculator',
  ],
  'core/src/calculator': [
    'document',
    'program',
    'answers',
    'sheets',
    'evaluate',
    'compile',
    'proving',
    'editing',
    'audience',
    'starters',
  ],
  'worksheet/src': ['book', 'formula', 'understand', 'translate', 'loans', 'take', 'recover', 'draft', 'out'],
  'server/src': [
    'platform',
    'platform/http',
    'platform/threads',
    'platform/mail',
    'platform/database',
    'team/record',
    'team/people',
    'authoring/approval',
    'authoring/house-styles',
    'authoring/rate-sheets',
    'authoring/calculators',
    'live',
    'visitors/figures',
    'visitors/files',
    'visitors/hand-overs',
    'visitors/counting',
    'visitors/pages',
    'visitors',
    'desk/placements',
    'desk/audience',
    'desk/channels',
    'desk/archive',
    'desk',
    'demo',
  ],
  'desk/src': [
    'shared/api',
    'shared/time',
    'shared/files',
    'shared/undo',
    'shared/text-tables',
    'shared/session',
    'shared/fields',
    'shared/preview',
    'shared/page',
    [
      'calculators',
      'rate-sheets',
      'house-styles',
      'placements',
      'audience',
      'channels',
      'people',
      'record',
      'archive',
    ],
    'app',
  ],
  'visitor/src': [
    'embed',
    'taking-over',
    'model',
    'frame',
    'pieces',
    'questions',
    'keep',
    'what-if',
    'results',
  ],
  'desk/src/calculators': [
    'draft',
    'formula',
    'tape',
    'proofs',
    'samples',
    'finder',
    'publishing',
    'reading',
    'worksheet',
  ],
}

/** The same as zones of `import-x/no-restricted-paths`. */
export const floorZones = Object.entries(floors).flatMap(([room, all]) =>
  all.flatMap((floor, at) => {
    const below = all.slice(0, at).flat()
    return [floor].flat().map((folder) => ({
      target: `./${room}/${folder}`,
      from: `./${room}`,
      except: [...below, folder].map((one) => `./${one}`),
      message: `Of ${room}, ${folder} may import ${below.join(', ') || 'nothing'}.`,
    }))
  }),
)
