import { readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import opentype from 'opentype.js';

/**
 * Makes the face of ♭ ♮ ♯ for running text: the shapes of a music font, which are drawn for staff spaces, set on the
 * line of letters and given room beside them. Three glyphs; run anew only when they are to look different.
 */
const SOURCE = createRequire(import.meta.url).resolve('@fontsource/noto-music/files/noto-music-music-400-normal.woff');
const TARGET = 'web/src/ui/accidentals.otf';
const UNITS = 1000;
/** Where each stands: scale against the music font's em, foot and room beside it in ems. */
const SET = {
  '♭': { scale: 1.12, footEm: -0.03 },
  '♮': { scale: 1.02, footEm: -0.01 },
  '♯': { scale: 1, footEm: -0.02 },
} as const;
const BESIDE_EM = { left: 0.045, right: 0.055 } as const;

const bytes = readFileSync(SOURCE);
const source = opentype.parse(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength));
const notdef = new opentype.Glyph({ name: '.notdef', advanceWidth: 300, path: new opentype.Path() });
const glyphs = Object.entries(SET).map(([sign, { scale, footEm }]) => {
  const size = scale * UNITS;
  const glyph = source.charToGlyph(sign);
  const box = glyph.getPath(0, 0, size).getBoundingBox();
  const path = glyph.getPath(BESIDE_EM.left * UNITS - box.x1, 0, size);
  // A drawn path's y goes down, a font's up; the lowest point comes to stand at the foot.
  const up = (y: number) => box.y2 - y + footEm * UNITS;
  for (const command of path.commands) {
    if ('y' in command) command.y = up(command.y);
    if ('y1' in command) command.y1 = up(command.y1);
    if ('y2' in command) command.y2 = up(command.y2);
  }
  return new opentype.Glyph({
    name: `uni${sign.codePointAt(0)!.toString(16)}`,
    unicode: sign.codePointAt(0)!,
    advanceWidth: Math.round(box.x2 - box.x1 + (BESIDE_EM.left + BESIDE_EM.right) * UNITS),
    path,
  });
});
const font = new opentype.Font({
  familyName: 'Inner Hum Accidentals',
  styleName: 'Regular',
  unitsPerEm: UNITS,
  ascender: 800,
  descender: -200,
  glyphs: [notdef, ...glyphs],
});
writeFileSync(TARGET, Buffer.from(font.toArrayBuffer()));
