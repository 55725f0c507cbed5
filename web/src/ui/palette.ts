/** Colours of the two looks. The ribbon's canvas and the style tokens both read them from here. */
export interface Palette {
  readonly paper: string;
  readonly panel: string;
  readonly ink: string;
  readonly inkSoft: string;
  readonly line: string;
  readonly channel: string;
  readonly accent: string;
  readonly onAccent: string;
  /** sounding partials 1, 2, 3 … in order; the last serves all above */
  readonly partials: readonly string[];
}

export const LIGHT: Palette = {
  paper: '#f3f0e8',
  panel: '#fbf9f4',
  ink: '#123a42',
  inkSoft: '#4b6064',
  line: '#d3cdbf',
  channel: '#dcd9cb',
  accent: '#a3273f',
  onAccent: '#fffaf3',
  partials: ['#123a42', '#1b7286', '#3c8a55', '#93820f', '#bd6a16', '#a3273f', '#8a3a86', '#5a4aa3'],
};

export const DARK: Palette = {
  paper: '#14191a',
  panel: '#1c2324',
  ink: '#eae5d8',
  inkSoft: '#a9b3b1',
  line: '#3a4546',
  channel: '#2c3838',
  accent: '#f2808f',
  onAccent: '#2a070d',
  partials: ['#d9d4c4', '#6cc4d8', '#7fd09a', '#dccb5a', '#f0a860', '#f2808f', '#dd93d9', '#ab9ff0'],
};

/** Colour of a sounding partial. */
export function partialColour(palette: Palette, partial: number): string {
  return palette.partials[Math.min(partial, palette.partials.length) - 1]!;
}
