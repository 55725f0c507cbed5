/** What the program is for: the kinds of work that no four weeks go without. */
export const PILLARS = ['overtones', 'tones', 'descents', 'low', 'altissimo'] as const;
export type Pillar = (typeof PILLARS)[number];
