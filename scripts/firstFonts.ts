import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import subsetFont from 'subset-font';
import { de } from '../web/src/text/de';
import { en } from '../web/src/text/en';
import { es } from '../web/src/text/es';
import { fr } from '../web/src/text/fr';
import { it } from '../web/src/text/it';

/**
 * Cuts the faces that the first screen needs to the letters of the five languages: they come before all others. What else a
 * player writes is in the whole faces, which come when it is needed. Run anew when a language has a new letter.
 */
const FOLDER = 'web/src/ui/fonts';
const FACES = {
  'atkinson.woff2': {
    source: '@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2',
    family: 'Atkinson Hyperlegible Next Variable',
    weight: '400 700',
    axes: { variationAxes: { wght: { min: 400, max: 700 } } },
  },
  'literata-500.woff2': {
    source: '@fontsource/literata/files/literata-latin-500-normal.woff2',
    family: 'Literata',
    weight: '500',
    axes: {},
  },
} as const;

const ascii = Array.from({ length: 95 }, (_, i) => String.fromCodePoint(32 + i));
// Signs that another face has, and those that no letter face has, are not looked for.
const used = new Set(
  [...ascii, ...JSON.stringify([en, de, fr, it, es])].filter((letter) =>
    /[\u0020-\u00ff\u0152\u0153\u2000-\u206f\u2212]/.test(letter),
  ),
);
const letters = [...used].sort();
const hex = (letter: string) => `U+${letter.codePointAt(0)!.toString(16)}`;

mkdirSync(FOLDER, { recursive: true });
let css = '/* Faces of the first screen, cut by scripts/firstFonts.ts from fonts under the SIL Open Font License. */\n';
for (const [name, { source, family, weight, axes }] of Object.entries(FACES)) {
  const whole = readFileSync(createRequire(import.meta.url).resolve(source));
  writeFileSync(`${FOLDER}/${name}`, await subsetFont(whole, letters.join(''), { targetFormat: 'woff2', ...axes }));
  css += `@font-face {
  font-family: '${family}';
  src: url('./fonts/${name}') format('woff2');
  font-weight: ${weight};
  font-display: swap;
  unicode-range: ${letters.map(hex).join(', ')};
}
`;
}
writeFileSync('web/src/ui/firstFonts.css', css);
