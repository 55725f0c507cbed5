import { createSystem, defaultBaseConfig, defineConfig } from '@chakra-ui/react';
import { DARK, LIGHT, type Palette } from './palette';

const NAMES = ['paper', 'panel', 'ink', 'inkSoft', 'line', 'channel', 'accent', 'onAccent'] as const;

const colors = Object.fromEntries(
  NAMES.map((name: keyof Pick<Palette, (typeof NAMES)[number]>) => [
    name,
    { value: { _light: LIGHT[name], _dark: DARK[name] } },
  ]),
);

const SERIF = "'Literata Variable', 'Accidentals', Georgia, serif";
const SANS = "'Atkinson Hyperlegible Next Variable', 'Accidentals', system-ui, sans-serif";

/** The look: printed paper, one ink, one accent, type that reads at a distance. */
export const system = createSystem(
  defaultBaseConfig,
  defineConfig({
    preflight: true,
    globalCss: {
      html: { bg: 'paper', color: 'ink', fontFamily: 'body', fontSize: '17px', lineHeight: 1.45 },
      body: { minHeight: '100dvh' },
      ':focus-visible': { outline: '3px solid', outlineColor: 'accent', outlineOffset: '2px' },
      a: {
        color: 'inherit',
        textDecoration: 'underline',
        textUnderlineOffset: '3px',
        textDecorationThickness: '1.5px',
      },
      '::selection': { bg: 'accent', color: 'onAccent' },
      '*': { _motionReduce: { transition: 'none !important', animation: 'none !important' } },
    },
    theme: {
      breakpoints: { sm: '30em', md: '48em', lg: '64em', xl: '80em' },
      tokens: {
        fonts: { body: { value: SANS }, heading: { value: SERIF } },
        radii: { card: { value: '14px' }, field: { value: '8px' } },
      },
      semanticTokens: { colors },
    },
  }),
);
