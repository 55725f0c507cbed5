import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { INSTRUMENTS, instrumentById, naturalOffsetCents, sourceKey, type Source } from '../theory';
import { bestRoute, describeRoute, ROUTE_AIMS, routeChoices, type OwnSource, type RouteOptions } from './index';

const alto = instrumentById('alto');
const TWO_OCTAVES = [70, 72, 74, 75, 77, 79, 81, 82, 84, 86, 87, 89, 91, 93, 94];

/** The least cost of all ways through a phrase, tried one by one. */
function bruteForce(phrase: readonly number[], options: RouteOptions): number {
  const rows = phrase.map((midi) => routeChoices(alto, midi).filter(({ partialNumber }) => partialNumber > 1));
  let best = Infinity;
  const walk = (i: number, sources: Source[]): void => {
    if (i === rows.length) best = Math.min(best, describeRoute(alto, sources, options).cost);
    else for (const source of rows[i]!) walk(i + 1, [...sources, source]);
  };
  walk(0, []);
  return best;
}

describe('routes', () => {
  it.each(ROUTE_AIMS)('%s: as good as the best of all ways on short phrases', (aim) =>
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 70, max: 96 }), { minLength: 1, maxLength: 4 }),
        fc.nat(),
        (phrase, seed) => {
          const own = new Map<string, OwnSource>(
            routeChoices(alto, phrase[0]!).map((routeChoice, i) => [
              sourceKey(routeChoice),
              { tries: { got: (seed + i) % 5, of: 5 }, offsetCents: ((seed * (i + 1)) % 60) - 30 },
            ]),
          );
          const options = { aim, own };
          expect(bestRoute(alto, phrase, options).cost).toBeCloseTo(bruteForce(phrase, options), 9);
        },
      ),
      { numRuns: 40 },
    ),
  );
  it('a scale of two octaves: each source sounds its note, and each aim has what it asks for', () => {
    const of = Object.fromEntries(ROUTE_AIMS.map((aim) => [aim, bestRoute(alto, TWO_OCTAVES, { aim })]));
    for (const route of Object.values(of))
      expect(route.sources.map((source) => source.soundedMidi)).toEqual(TWO_OCTAVES);
    expect(of['inTune']!.offCents).toBeLessThanOrEqual(of['easiest']!.offCents);
    expect(of['easiest']!.success).toBeGreaterThan(of['mostToLearn']!.success);
    expect(of['inTune']!.offCents).toBeLessThan(3);
  });
  it('a pinned note stays, and the rest is chosen around it', () => {
    const pins = new Map([[1, '58/3']]);
    expect(sourceKey(bestRoute(alto, [70, 77, 82], { aim: 'easiest', pins }).sources[1]!)).toBe('58/3');
    expect(() => bestRoute(alto, [70], { aim: 'easiest', pins: new Map([[0, '60/2']]) })).toThrow('note 1');
  });
  it('a note that is no overtone is fingered as usual, and so is one that is pinned to it', () => {
    const keys = (phrase: number[], pins?: ReadonlyMap<number, string>) =>
      bestRoute(alto, phrase, { aim: 'easiest', ...(pins && { pins }) }).sources.map(sourceKey);
    expect(keys([60, 70])).toEqual(['60/1', '58/2']);
    expect(keys([70, 74], new Map([[1, '74/1']]))).toEqual(['58/2', '74/1']);
  });
  it('a note that the horn does not have is named with its place', () =>
    expect(() => bestRoute(alto, [70, 50], { aim: 'easiest' })).toThrow('note 2 of the phrase (MIDI 50)'));
  it('what the player gets makes a source cheaper, what fails dearer', () => {
    const cost = (got: number) =>
      bestRoute(alto, [82], {
        aim: 'easiest',
        own: new Map([['58/4', { tries: { got, of: 20 } }]]),
        pins: new Map([[0, '58/4']]),
      }).cost;
    expect(cost(20)).toBeLessThan(cost(10));
    expect(cost(10)).toBeLessThan(cost(0));
  });
  it.each(INSTRUMENTS)('$id: every written note from the octave above the lowest up has a source', (horn) => {
    for (let midi = horn.lowestWrittenMidi + 12; midi <= horn.highestKeyedWrittenMidi; midi++)
      for (const source of routeChoices(horn, midi))
        expect(source.offsetCents).toBe(naturalOffsetCents(source.partialNumber));
  });
});
