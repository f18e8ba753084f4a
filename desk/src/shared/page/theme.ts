import type { ThemeConfig } from 'ant-design-vue/es/config-provider/context'

/** The desk's looks as Ant Design tokens; the same values stand as custom properties in desk.css. */
const colours = {
  ink: '#201433',
  plum: '#5b2a86',
  /** Vivid red, a shade darker where white text stands on it. */
  action: '#d2341f',
  leaf: '#1d7a5f',
  line: '#d9cfc0',
  error: '#b3261e',
} as const

const text = "'Figtree Variable', system-ui, sans-serif"

export const theme: ThemeConfig = {
  token: {
    colorPrimary: colours.plum,
    colorTextBase: colours.ink,
    colorBorder: colours.line,
    colorError: colours.error,
    colorSuccess: colours.leaf,
    colorSuccessBg: '#e6f3ec',
    colorSuccessBorder: '#a9d3bf',
    colorErrorBg: '#fdecea',
    colorBgContainer: '#fffdf9',
    colorTextPlaceholder: '#6f6580',
    borderRadius: 7,
    fontFamily: text,
    fontSize: 15,
    controlHeight: 38,
  },
}

/** For the one call to action on a screen. */
export const actionTheme: ThemeConfig = {
  token: {
    colorPrimary: colours.action,
    // Darker under the pointer, not lighter: white stays readable on it.
    colorPrimaryHover: '#b82c19',
    colorPrimaryActive: '#9c2413',
    fontFamily: text,
    fontSize: 15,
  },
  components: { Button: { fontWeight: 600 } as object },
}
