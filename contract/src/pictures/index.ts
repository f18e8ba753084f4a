export { drawingOf } from './pictured'
export type { Look } from './look'
