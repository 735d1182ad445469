import { definePreset } from '@primeuix/themes'
import { aura } from './aura'

const ink = {
  0: 'var(--card)',
  50: 'var(--paper)',
  100: 'var(--stage)',
  200: 'var(--rule)',
  300: 'var(--rule)',
  400: 'var(--edge)',
  500: 'var(--faint)',
  600: 'var(--soft)',
  700: 'var(--ink)',
  800: 'var(--ink)',
  900: 'var(--ink)',
  950: 'var(--ink)',
}
const madder = Object.fromEntries(
  [50, 100, 200, 300, 400, 500, 600, 700, 800, 900, 950].map((step) => [
    step,
    step < 300 ? 'var(--madder-wash)' : 'var(--madder)',
  ]),
)

const scheme = {
  surface: ink,
  primary: { color: 'var(--ink)', contrastColor: 'var(--card)', hoverColor: 'var(--soft)', activeColor: 'var(--soft)' },
  highlight: {
    background: 'var(--madder-wash)',
    focusBackground: 'var(--madder-wash)',
    color: 'var(--madder)',
    focusColor: 'var(--madder)',
  },
  formField: {
    background: 'var(--card)',
    borderColor: 'var(--edge)',
    hoverBorderColor: 'var(--soft)',
    focusBorderColor: 'var(--madder)',
    color: 'var(--ink)',
    placeholderColor: 'var(--faint)',
    shadow: 'none',
  },
  text: { color: 'var(--ink)', hoverColor: 'var(--ink)', mutedColor: 'var(--soft)', hoverMutedColor: 'var(--ink)' },
  content: {
    background: 'var(--card)',
    hoverBackground: 'var(--madder-wash)',
    borderColor: 'var(--rule)',
    color: 'var(--ink)',
    hoverColor: 'var(--ink)',
  },
  overlay: {
    select: { background: 'var(--card)', borderColor: 'var(--rule)', color: 'var(--ink)' },
    popover: { background: 'var(--card)', borderColor: 'var(--rule)', color: 'var(--ink)' },
    modal: { background: 'var(--card)', borderColor: 'var(--rule)', color: 'var(--ink)' },
  },
}

/** PrimeVue dressed in paper and ink: every colour is one of ours, light and lamp alike, so the theme follows the page's. */
export const paperAndInk = definePreset(aura, {
  semantic: {
    primary: madder,
    transitionDuration: 'var(--quick)',
    focusRing: { width: '2px', style: 'solid', color: 'var(--madder)', offset: '2px' },
    formField: { paddingX: '10px', paddingY: '5px', borderRadius: '7px' },
    content: { borderRadius: '8px' },
    overlay: {
      select: { borderRadius: '8px', shadow: 'var(--float)' },
      popover: { borderRadius: '8px', shadow: 'var(--float)', padding: '10px' },
      modal: { borderRadius: '8px', shadow: 'var(--float)', padding: '18px' },
    },
    list: { padding: '4px', gap: '1px', option: { padding: '6px 10px', borderRadius: '6px' } },
    navigation: {
      list: { padding: '4px', gap: '1px' },
      item: {
        padding: '6px 10px',
        borderRadius: '6px',
        focusBackground: 'var(--madder-wash)',
        focusColor: 'var(--madder)',
      },
    },
    colorScheme: { light: scheme, dark: scheme },
  },
  components: {
    button: {
      root: { borderRadius: '7px', paddingX: '12px', paddingY: '5px', label: { fontWeight: '500' } },
      colorScheme: {
        light: {
          outlined: {
            secondary: {
              borderColor: 'var(--edge)',
              color: 'var(--ink)',
              hoverBackground: 'var(--madder-wash)',
              activeBackground: 'var(--madder-wash)',
            },
          },
          text: {
            secondary: {
              color: 'var(--soft)',
              hoverBackground: 'var(--madder-wash)',
              activeBackground: 'var(--madder-wash)',
            },
          },
        },
      },
    },
    toast: {
      root: { borderRadius: '8px', width: '380px' },
      colorScheme: {
        light: Object.fromEntries(
          (
            [
              ['info', 'ink', 'card'],
              ['success', 'verdigris', 'verdigris-wash'],
              ['warn', 'ochre', 'ochre-wash'],
              ['error', 'vermilion', 'vermilion-wash'],
            ] as const
          ).map(([severity, color, wash]) => [
            severity,
            {
              background: `var(--${wash})`,
              borderColor: 'var(--rule)',
              color: `var(--${color})`,
              detailColor: 'var(--ink)',
              shadow: 'var(--float)',
            },
          ]),
        ),
      },
    },
    togglebutton: {
      root: { borderRadius: '0', padding: '0', fontWeight: '500' },
      content: { padding: '3px 11px', borderRadius: '0', checkedShadow: 'none' },
      colorScheme: {
        light: {
          root: {
            background: 'var(--card)',
            hoverBackground: 'var(--paper)',
            checkedBackground: 'var(--madder-wash)',
            borderColor: 'var(--rule)',
            checkedBorderColor: 'var(--rule)',
            color: 'var(--soft)',
            hoverColor: 'var(--ink)',
            checkedColor: 'var(--madder)',
          },
          content: { checkedBackground: 'transparent' },
        },
      },
    },
    selectbutton: { root: { borderRadius: '7px' } },
    tooltip: {
      root: { background: 'var(--ink)', color: 'var(--card)', padding: '4px 8px', borderRadius: '6px', shadow: 'none' },
    },
    progressbar: { root: { height: '6px', background: 'var(--rule)' }, value: { background: 'var(--verdigris)' } },
  },
})
