import { swell, SWELL_DEFAULTS } from '@inner-hum/core/families';
import { HOP_S } from '@inner-hum/core/signal';
import { beforeAll, describe, expect, it, vi } from 'vitest';
import { LIGHT } from '../ui/palette';
import { drawRibbon } from './ribbon';
import { ribbonSteps, type RibbonView } from './view';

/** A path that remembers its rectangles and points. */
class Path {
  readonly rects: (readonly [x: number, y: number, width: number, height: number])[] = [];
  readonly points: (readonly [number, number])[] = [];
  rect(...entry: [number, number, number, number]) {
    this.rects.push(entry);
  }
  moveTo(...entry: [number, number]) {
    this.points.push(entry);
  }
  lineTo(...entry: [number, number]) {
    this.points.push(entry);
  }
}

/** A context that remembers what was drawn, by its fill. */
class Pen {
  fillStyle: unknown = '';
  strokeStyle: unknown = '';
  font = '';
  lineWidth = 1;
  readonly texts: string[] = [];
  readonly filled: { readonly fill: unknown; readonly path: Path }[] = [];
  readonly stroked: { readonly stroke: unknown; readonly path: Path }[] = [];
  private own = new Path();
  clearRect = () => undefined;
  fillRect = () => undefined;
  setLineDash = () => undefined;
  closePath = () => undefined;
  beginPath() {
    this.own = new Path();
  }
  moveTo(...entry: [number, number]) {
    this.own.moveTo(...entry);
  }
  lineTo(...entry: [number, number]) {
    this.own.lineTo(...entry);
  }
  fill(path: Path = this.own) {
    this.filled.push({ fill: this.fillStyle, path });
  }
  stroke(path: Path = this.own) {
    this.stroked.push({ stroke: this.strokeStyle, path });
  }
  readonly placed: { readonly text: string; readonly x: number; readonly y: number }[] = [];
  fillText(text: string, x: number, y: number) {
    this.texts.push(text);
    this.placed.push({ text, x, y });
  }
  strokeText = () => undefined;
  measureText = (text: string) => ({ width: 8 * text.length });
  createPattern(tile: { readonly dots: number }) {
    return { dots: tile.dots };
  }
}

beforeAll(() => {
  vi.stubGlobal('Path2D', Path);
  vi.stubGlobal('document', {
    createElement: () => {
      const tile = { dots: 0, getContext: () => ({ fillRect: () => void tile.dots++ }) };
      return tile;
    },
  });
});

const score = swell({ ...SWELL_DEFAULTS, instrumentId: 'alto', tempoBpm: 60, beats: 8 });
const [step] = ribbonSteps(score, 0, 440);
const SIZE = { width: 800, height: 200 };

const level =
  (db: number): ((timeS: number) => number) =>
  () =>
    db;

/** Draws eight seconds of a tone. */
function drawn({ hz = step!.targetHz, levelDb = level(-30), breathDb = -60 }, change: Partial<RibbonView> = {}): Pen {
  const count = Math.round(8 / HOP_S);
  const times = Float32Array.from({ length: count }, (_, i) => i * HOP_S);
  const pen = new Pen();
  drawRibbon(pen as unknown as CanvasRenderingContext2D, {
    ...SIZE,
    palette: LIGHT,
    ruler: { softestDb: -45, loudestDb: -15, origin: 'measured' },
    windowCents: 12,
    hidden: false,
    fromS: 0,
    toS: 8,
    steps: [step!],
    frames: {
      count,
      startS: 0,
      f0Hz: new Float32Array(count).fill(hz),
      levelDb: times.map(levelDb),
      breathDb: new Float32Array(count).fill(breathDb),
    },
    ...change,
  });
  return pen;
}
const silence = { startS: 0, f0Hz: new Float32Array(), levelDb: new Float32Array(), breathDb: new Float32Array() };
const tone = (pen: Pen) => pen.filled.flatMap(({ fill, path }) => (fill === LIGHT.channel ? [] : path.rects));
/** The plan on the axis, where nothing was played. */
const channel = (pen: Pen) => pen.filled.flatMap(({ fill, path }) => (fill === LIGHT.channel ? path.points : []));
/** The plan around the tone, its upper edge: around it where it is softer, on it where it is louder. */
const upperEdge = (pen: Pen) => {
  const highest = new Map<number, number>();
  for (const [x, y] of pen.stroked.slice(-2).flatMap(({ path }) => path.points))
    highest.set(x, Math.min(y, highest.get(x) ?? Infinity));
  return [...highest].sort(([a], [b]) => a - b).map(([, y]) => y);
};
const spine = (pen: Pen) => pen.stroked.find(({ stroke }) => stroke === LIGHT.accent)?.path.points ?? [];
const off = (cents: number) => step!.targetHz * 2 ** (cents / 1200);
const axis = SIZE.height / 2;

describe('the ribbon', () => {
  // The four pictures: pitch right and wrong, swell right and wrong. Each is read by itself.
  const asPlanned = (t: number) => -45 + 30 * step!.positionAt(t);
  const flat = () => -38;
  it.each([
    ['in tune, as planned', 0, asPlanned, true],
    ['sharp, as planned', 15, asPlanned, true],
    ['in tune, not as planned', 0, flat, false],
    ['flat, not as planned', -15, flat, false],
  ])('%s', (_, cents, levelDb, fills) => {
    const pen = drawn({ hz: off(cents), levelDb });
    const upper = upperEdge(pen);
    // What is on its plan has one edge; what is off it has the plan's beside its own.
    if (fills) expect(upper).toEqual([]);
    else expect(upper.length).toBeGreaterThan(0.8 * tone(pen).length);
    const [, y, , height] = tone(pen)[400]!;
    expect(axis - (y + height / 2)).toBeCloseTo((cents / 30) * axis, 0);
    for (const [, spineY] of spine(pen)) expect(spineY).toBeCloseTo(axis - (cents / 30) * axis, 0);
  });
  it('a pitch that wavers moves the line, not the edges of the band', () => {
    const count = 1600;
    const f0Hz = Float32Array.from({ length: count }, (_, i) => off(8 * Math.sin(2 * Math.PI * 1.5 * i * HOP_S)));
    const levelDb = new Float32Array(count).fill(-30);
    const pen = drawn(
      {},
      { frames: { ...silence, count, f0Hz, levelDb, breathDb: new Float32Array(count).fill(-40) } },
    );
    const middles = tone(pen)
      .slice(200, 600)
      .map(([, y, , height]) => y + height / 2);
    const lines = spine(pen)
      .slice(200, 600)
      .map(([, y]) => y);
    const travel = (ys: readonly number[]) => Math.max(...ys) - Math.min(...ys);
    expect(travel(lines)).toBeGreaterThan(25);
    expect(travel(middles)).toBeLessThan(12);
  });
  it('the plan lies on the axis until it is played', () => {
    const ahead = channel(drawn({}, { frames: { ...silence, count: 0 } }));
    expect(Math.max(...ahead.map(([x]) => x))).toBeGreaterThan(SIZE.width - 5);
    expect(channel(drawn({}))).toEqual([]);
  });
  it('a mark has its words, inside the drawing', () => {
    expect(drawn({}, { marks: [{ fromS: 7.9, toS: 9, label: '5 dB' }] }).texts).toContain('5 dB');
  });
  it('marks that are near have their words in rows of their own', () => {
    const marks = ['3 dB, beat 6', 'beat 6', 'far'].map((label, i) => ({ fromS: [5, 5.2, 1][i]!, toS: 6, label }));
    const { placed } = drawn({}, { marks });
    const yOf = (label: string) => placed.find(({ text }) => text === label)!.y;
    expect(yOf('beat 6')).toBeGreaterThan(yOf('3 dB, beat 6') + 15);
    const apart = marks.map(({ label }) => placed.find(({ text }) => text === label)!);
    expect(apart[2]!.x + 24 < apart[0]!.x || apart[2]!.y > apart[0]!.y).toBe(true);
  });
  it('lies above the axis when sharp and below when flat, its spine on the cents', () => {
    for (const cents of [-20, -6, 6, 20]) {
      const pen = drawn({ hz: off(cents) });
      for (const [, y] of spine(pen)) expect(y).toBeCloseTo(axis - (cents / 30) * axis, 0);
      const [, y, , height] = tone(pen)[400]!;
      expect(Math.sign(axis - (y + height / 2))).toBe(Math.sign(cents));
    }
  });
  it('is thicker when louder, and never thicker than its share of the height', () => {
    const thick = (db: number) => tone(drawn({ levelDb: () => db }))[400]![3];
    expect(thick(-40)).toBeLessThan(thick(-30));
    expect(thick(-30)).toBeLessThan(thick(-15));
    expect(thick(0)).toBeLessThan(0.55 * SIZE.height);
    expect(thick(-90)).toBeGreaterThanOrEqual(4);
  });
  it('stays inside the drawing however far off it is', () => {
    for (const cents of [-140, 140, 1900])
      for (const [, y, , height] of tone(drawn({ hz: off(cents), levelDb: () => -15 }))) {
        expect(y).toBeGreaterThanOrEqual(0);
        expect(y + height).toBeLessThanOrEqual(SIZE.height);
      }
  });
  it('takes the hue and the numeral of another partial, and no spine', () => {
    const pen = drawn({ hz: 2 * step!.targetHz });
    expect(pen.filled.at(-1)!.fill).toBe(LIGHT.partials[1]);
    expect(pen.texts).toContain('2');
    expect(spine(pen)).toEqual([]);
  });
  it('has fewer dots the more breath there is in it', () => {
    const dots = (breathDb: number) => (drawn({ breathDb }).filled.at(-1)!.fill as { dots?: number }).dots ?? Infinity;
    expect(dots(-60)).toBe(Infinity);
    expect(dots(-15)).toBeGreaterThan(dots(-8));
    expect(dots(-8)).toBeGreaterThan(dots(0));
  });
  it('with the tuner hidden shows no cents', () => {
    const pen = drawn({ hz: off(20) }, { hidden: true });
    const [, y, , height] = tone(pen)[400]!;
    expect(y + height / 2).toBeCloseTo(axis, 3);
    expect(spine(pen)).toEqual([]);
    expect(pen.texts).not.toContain('+12');
  });
  it('of silence draws nothing but the plan', () => expect(tone(drawn({ hz: 0 }))).toEqual([]));
  it('columns lie side by side, without gap or overlap', () => {
    const rects = tone(drawn({}, { toS: 2.3 }));
    for (let i = 1; i < rects.length; i++) expect(rects[i]![0]).toBe(rects[i - 1]![0] + rects[i - 1]![2]);
  });
  it('counts the beats, in small drawings it does not', () => {
    const beats = { firstS: 0, beatS: 1, perBar: 4 };
    expect(drawn({}, { beats }).texts).toEqual(expect.arrayContaining(['1', '8', '+12', '−12']));
    expect(drawn({}, { beats, plain: true }).texts).toEqual([]);
  });
  it('says the dynamics where they are reached, once each, the last one inside the drawing', () => {
    const letters = (change: Partial<RibbonView> = {}) =>
      drawn({}, change).texts.filter((text) => /^[pmf]+$/.test(text));
    expect(letters()).toEqual(['p', 'f', 'p']);
    expect(letters({ steps: [step!, { ...step!, dynamics: [{ atS: 8, dynamic: 'p' }] }] })).toEqual(['p', 'f', 'p']);
    expect(letters({ plain: true })).toEqual([]);
  });
  it('draws the line that an ear hears; looked at closely, each frame', () => {
    const restless = (i: number) => step!.targetHz * 2 ** ((i % 2 === 0 ? 8 : -8) / 1200);
    const frames = {
      count: 800,
      startS: 0,
      f0Hz: Float32Array.from({ length: 800 }, (_, i) => restless(i)),
      levelDb: new Float32Array(800).fill(-30),
      breathDb: new Float32Array(800).fill(-60),
    };
    const reach = (toS: number) => {
      const ys = spine(drawn({}, { frames, toS })).map(([, y]) => y);
      return Math.max(...ys) - Math.min(...ys);
    };
    expect(reach(8)).toBeLessThan(8);
    expect(reach(1)).toBeGreaterThan(50);
  });
  it('numbers the first beats of bars where beats are too narrow for numbers', () => {
    const numbers = drawn({}, { beats: { firstS: 0, beatS: 0.1, perBar: 4 } }).texts.filter((text) =>
      /^\d+$/.test(text),
    );
    const steps = numbers.slice(1).map((text, i) => Number(text) - Number(numbers[i]));
    expect(numbers[0]).toBe('1');
    expect(new Set(steps).size).toBe(1);
    expect(steps[0]! % 4).toBe(0);
  });
});
