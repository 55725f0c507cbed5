import { describe, expect, it } from 'vitest';
import { dynamicPosition } from '../theory';
import { parsePhrase, passageTones, phraseText } from './index';

const TEXT = '[p] [<] (G4 A4 [f] B4:2) r [air] G4:0.5 [mp] E4:1.5';

describe('a passage as text', () => {
  it('keeps its slurs, dynamics, hairpins and starts, there and back', () => {
    const notes = parsePhrase(TEXT);
    expect(notes).toEqual([
      { midi: 67, beats: 1, dynamic: 'p', hairpin: '<' },
      { midi: 69, beats: 1, slurred: true },
      { midi: 71, beats: 2, slurred: true, dynamic: 'f' },
      { midi: null, beats: 1 },
      { midi: 67, beats: 0.5, air: true },
      { midi: 64, beats: 1.5, dynamic: 'mp' },
    ]);
    expect(phraseText(notes)).toBe(TEXT);
  });
  it('a mark that is none is named', () => expect(() => parsePhrase('G4 [loud] A4')).toThrow('[loud]'));
  it('a plain phrase is as it was', () => expect(phraseText(parsePhrase('G4 A4:2 r B4'))).toBe('G4 A4:2 r B4'));
});

describe('the tones of a passage', () => {
  const tones = passageTones(TEXT, 4, 'mf');
  it('are tongued, slurred or started by air as they are written', () =>
    expect(tones.map(({ note, attack, rest = 0 }) => `${note} ${attack} ${String(rest)}`)).toEqual([
      '67 tongue 0',
      '69 slurred 0',
      '71 slurred 1',
      '67 breath 0',
      '64 tongue 4',
    ]));
  it('grow through a hairpin to its letter, and stay there', () => {
    // p is a fifth of the way, f four fifths (see the theory's dynamics): over two beats, half of it each.
    const [first, second, third, fourth, fifth] = tones.map(({ dynamics }) => dynamics);
    expect(first![1]).toBeCloseTo(Number(second![0]), 9);
    expect(Number(first![0])).toBeLessThan(Number(first![1]));
    expect(Number(second![1]) - Number(second![0])).toBeCloseTo(Number(first![1]) - Number(first![0]), 9);
    expect(third).toEqual(['f']);
    expect(fourth).toEqual(['f']);
    expect(fifth).toEqual(['mp']);
  });
  it.each(['[p] [<] G4:4 r:4 [f] A4', '[p] [<] G4:4 r:2', '[p] [<] G4:2 r A4:2 r:3 [f] B4'])(
    'reach a hairpin’s target on the last tone before a rest: %s',
    (text) => {
      const grown = passageTones(text, 2, 'mf').filter(({ dynamics }) => dynamics.length > 1);
      expect(Number(grown.at(-1)!.dynamics[1])).toBeCloseTo(dynamicPosition(text.includes('[f]') ? 'f' : 'mf'), 9);
    },
  );
  it('follow a hairpin to the end where no dynamic comes after it', () => {
    const [first, last] = passageTones('[f] [>] G4:2 A4:2', 2, 'mf').map(({ dynamics }) => dynamics);
    expect(Number(first![0])).toBeCloseTo(dynamicPosition('f'), 9);
    expect(Number(last![1])).toBeCloseTo(dynamicPosition('mp'), 9);
  });
  it('begin at the usual dynamic where none is written', () =>
    expect(passageTones('G4 A4', 2, 'mf').map(({ dynamics }) => dynamics)).toEqual([['mf'], ['mf']]));
});

describe('what else a passage can ask', () => {
  const RICH =
    '[hum] F5:2 [B♭3] F5:2 [silence] r F5:2 [bend:80] C5:2 [air] r:2 [sub] D4:2 [hear] r:2 [ee-oo] G4:4 [D5] A5';
  it('is kept there and back', () => expect(phraseText(parsePhrase(RICH))).toBe(RICH));
  it('is what the tones have: sources, bends, voices, and what is done between', () => {
    const tones = passageTones(RICH, 2, 'mf');
    const told = [
      { note: 77, hum: true, attack: 'breath' },
      { note: 58, partial: 3, attack: 'tongue', rest: [{ kind: 'silence', beats: 1 }] },
      { note: 77, attack: 'tongue' },
      { note: 72, bendCents: 80, attack: 'tongue', rest: [{ kind: 'air', beats: 2 }] },
      { note: 62, subtone: true, attack: 'tongue', rest: [{ kind: 'hear', beats: 2 }] },
      { note: 67, vowels: ['ee', 'oo'], attack: 'tongue' },
      { note: 62, partial: 3, octaveKey: true, attack: 'tongue', rest: 2 },
    ];
    expect(tones).toHaveLength(told.length);
    expect(tones).toMatchObject(told);
  });
  it.each([
    ['[B♭3] G5', 'word 2 of the phrase, “G5”: source'],
    ['[bend:900] G4', 'word 1 of the phrase, “[bend:900]”: mark'],
    ['[ee-uh] G4', 'word 1 of the phrase, “[ee-uh]”: mark'],
    ['[silence] G4', 'word 2 of the phrase, “G4”: mark'],
  ])('“%s” is refused with its place', (text, message) => expect(() => parsePhrase(text)).toThrow(message));
  it('is named as the player names notes', () => {
    const text = phraseText(parsePhrase('[B♭3] F5'), 'german');
    expect(text).toBe('[B3] F5');
    expect(phraseText(parsePhrase(text, 'german'))).toBe('[B♭3] F5');
  });
});
