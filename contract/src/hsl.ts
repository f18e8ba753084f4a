/** Hue (0 to 1), tint and lightness (0 to 1) of "#rrggbb" (CSS Color 4, HSL). */
export function hslOf(hex: string): readonly [number, number, number] {
  const [r = 0, g = 0, b = 0] = [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16) / 255)
  const [most, least] = [Math.max(r, g, b), Math.min(r, g, b)]
  const light = (most + least) / 2
  const spread = most - least
  if (spread === 0) return [0, 0, light]
  const tint = spread / (1 - Math.abs(2 * light - 1))
  const hue = most === r ? (g - b) / spread : most === g ? (b - r) / spread + 2 : (r - g) / spread + 4
  return [((hue + 6) % 6) / 6, tint, light]
}

/** The other way round. */
export function hexOf([hue, tint, light]: readonly [number, number, number]): string {
  const reach = tint * Math.min(light, 1 - light)
  const part = (n: number) => {
    const k = (n + hue * 12) % 12
    const value = light - reach * Math.max(-1, Math.min(k - 3, 9 - k, 1))
    return Math.round(value * 255)
      .toString(16)
      .padStart(2, '0')
  }
  return `#${part(0)}${part(8)}${part(4)}`
}
