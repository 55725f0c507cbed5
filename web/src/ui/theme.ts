import { createSystem, defaultBaseConfig, defineConfig } from '@chakra-ui/react';
import { DARK, LIGHT, type Palette } from './palette';

const NAMES = ['paper', 'panel', 'ink', 'inkSoft', 'line', 'channel', 'accent', 'onAccent'] as const;

const colors = Object.fromEntries(
  NAMES.map((name: keyof Pick<Palette, (typeof NAMES)[number]>) => [
    name,
    { value: { _light: LIGHT[name], _dark: DARK[name] } },
  ]),
);

export const SERIF = "'Literata', 'Accidentals', Georgia, serif";
const SANS = "'Atkinson Hyperlegible Next Variable', 'Accidentals', system-ui, sans-serif";

/** The one set of sizes; what each is for stands in docs/look.md. */
const FONT_SIZES = {
  tiny: '0.75rem',
  small: '0.88rem',
  body: '1rem',
  lead: '1.2rem',
  section: '1.35rem',
  title: '1.6rem',
  place: '2.2rem',
  stand: '2.4rem',
  figure: '3rem',
  letterSmall: '72px',
  letter: '132px',
} as const;

/** The look: printed paper, one ink, one accent, type that reads at a distance. */
export const system = createSystem(
  defaultBaseConfig,
  defineConfig({
    preflight: true,
    globalCss: {
      '@page': { margin: '12mm' },
      html: {
        bg: 'paper',
        color: 'ink',
        fontFamily: 'body',
        // As the reader's browser has it, a little larger; on a wide screen, which stands farther away, larger with it.
        fontSize: 'max(106.25%, min(0.95vw, 160%))',
        lineHeight: 1.45,
        fontVariantNumeric: 'tabular-nums',
      },
      body: { minHeight: '100dvh' },
      ':focus-visible': { outline: '3px solid', outlineColor: 'accent', outlineOffset: '2px' },
      a: {
        color: 'inherit',
        textDecoration: 'underline',
        textUnderlineOffset: '3px',
        textDecorationThickness: '1.5px',
      },
      '::selection': { bg: 'accent', color: 'onAccent' },
      // A name of any length breaks where it must: no page is wider than its window.
      '*': { overflowWrap: 'anywhere', _motionReduce: { transition: 'none !important', animation: 'none !important' } },
    },
    theme: {
      breakpoints: { sm: '30em', md: '48em', lg: '64em', xl: '80em' },
      tokens: {
        fonts: { body: { value: SANS }, heading: { value: SERIF } },
        fontSizes: Object.fromEntries(Object.entries(FONT_SIZES).map(([name, value]) => [name, { value }])),
        radii: { card: { value: '14px' }, field: { value: '8px' } },
      },
      semanticTokens: { colors },
    },
  }),
);
