// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { swell, SWELL_DEFAULTS } from '@inner-hum/core/families';
import type { TakeRecord } from '@inner-hum/core/take';
import type { Score } from '@inner-hum/core/exercise';
import { finding as makeFinding, type Finding, type ValuesOfFinding, type Verdict } from '@inner-hum/core/judge';
import { ASSUMED_RULER } from '@inner-hum/core/theory';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { useState } from 'react';
import { describe, expect, it, vi } from 'vitest';
import { store } from '../store';
import { settingsChanged } from '../store/settings';
import { freshEachTime, inApp, settings } from '../testing/inApp';
import { Choice, Tick } from '../ui/controls';
import { LiveNote } from '../practice/liveNote';
import { NumberField } from '../ui/NumberField';
import { PhraseField } from './exercise/PhraseField';
import { SHORTCUTS, ShortcutsDialog } from '../ui/ShortcutsDialog';
import { VerdictText } from './take/VerdictText';

freshEachTime();

describe('a number', () => {
  const shown = () => {
    const changed = vi.fn<(value: number) => void>();
    const Held = () => {
      const [value, set] = useState(60);
      return (
        <NumberField
          label="Tempo"
          value={value}
          min={30}
          max={240}
          onChange={(next) => {
            changed(next);
            set(next);
          }}
        />
      );
    };
    inApp(<Held />);
    return { changed, field: screen.getByLabelText<HTMLInputElement>(/Tempo/) };
  };
  const type = (field: HTMLElement, value: string) => fireEvent.change(field, { target: { value } });
  it('is handed on while it lies within its limits', () => {
    const { changed, field } = shown();
    type(field, '88');
    expect(changed).toHaveBeenCalledWith(88);
  });
  it.each(['2', '300', ''])(
    'typed as “%s” is not handed on, its limits are said, and the last one comes back',
    (text) => {
      const { changed, field } = shown();
      type(field, text);
      expect(changed).not.toHaveBeenCalled();
      expect(field.getAttribute('aria-invalid')).toBe('true');
      expect(screen.getByRole('alert').textContent).toBe('30–240');
      fireEvent.blur(field);
      expect(field.value).toBe('60');
      expect(screen.queryByRole('alert')).toBeNull();
    },
  );
  it('can be typed digit by digit through what is too small', () => {
    const { changed, field } = shown();
    type(field, '1');
    type(field, '12');
    type(field, '120');
    expect(changed.mock.calls).toEqual([[120]]);
    expect(field.value).toBe('120');
  });
});

describe('a phrase', () => {
  const shown = (value = 'G4 A4') => {
    const changed = vi.fn<(phrase: string) => void>();
    inApp(<PhraseField label="Phrase" value={value} onChange={changed} />);
    const field = screen.getByLabelText<HTMLInputElement>(/Phrase/);
    return { changed, field, type: (text: string) => fireEvent.change(field, { target: { value: text } }) };
  };
  it('is shown in the player’s own names and handed on in one spelling', () => {
    store.dispatch(settingsChanged({ noteNames: 'german' }));
    const { changed, field, type } = shown('B4 B♭4');
    expect(field.value).toMatch(/^H\S* B\S*$/);
    type('H4');
    expect(changed).toHaveBeenCalledWith('B4');
  });
  it('what is not understood is named and not handed on; the text stays', () => {
    const { changed, field, type } = shown();
    type('G4 Q7');
    expect(changed).not.toHaveBeenCalled();
    expect(screen.getByRole('alert').textContent).toContain('Q7');
    expect(field.value).toBe('G4 Q7');
    type('G4 A4');
    expect(screen.queryByRole('alert')).toBeNull();
  });
});

describe('choices', () => {
  it('one made by hand gives the keys back, one made by keys keeps them', () => {
    inApp(
      <Choice label="Shape" value="a" options={['a', 'b']} textOf={(choice) => choice} onChange={() => undefined} />,
    );
    const field = screen.getByLabelText('Shape');
    field.focus();
    fireEvent.keyDown(field, { key: 'ArrowDown' });
    fireEvent.change(field, { target: { value: 'b' } });
    expect(document.activeElement).toBe(field);
    fireEvent.pointerDown(field);
    fireEvent.change(field, { target: { value: 'b' } });
    expect(document.activeElement).not.toBe(field);
  });
  it('a tick hands on what it turns to', () => {
    const changed = vi.fn<(on: boolean) => void>();
    inApp(<Tick label="Click" checked={false} onChange={changed} />);
    fireEvent.click(screen.getByLabelText('Click'));
    expect(changed).toHaveBeenCalledWith(true);
  });
});

it('the keys are all listed', () => {
  inApp(<ShortcutsDialog open={false} onClose={() => undefined} />);
  for (const [id] of SHORTCUTS) expect(screen.queryByText(`shortcuts.rows.${id}`)).toBeNull();
  expect(document.querySelectorAll('dialog tr')).toHaveLength(SHORTCUTS.length);
});

describe('a verdict in words', () => {
  const parameters = { ...SWELL_DEFAULTS, instrumentId: 'alto' } as const;
  const finding = <Id extends Finding['id']>(id: Id, values: ValuesOfFinding<Id>) => makeFinding(id, 0, values);
  const shown = (verdict: Partial<Verdict>, score = swell(parameters)) => {
    const take = {
      parameters,
      score,
      setup: { instrumentId: 'alto', a4Hz: 440, ruler: ASSUMED_RULER, demand: 'firm' },
      verdict: { findings: [], tries: [], decision: 'again', next: { change: 'none', parameters: {} }, ...verdict },
    } as unknown as TakeRecord;
    inApp(<VerdictText take={take} />);
    return screen.getByRole('status').textContent!;
  };
  it('words what to try for the note that asks for it: the lowest notes have no other fingering', () => {
    const flat = { findings: [finding('flat', { cents: 26, uncertainty: 1 })], tries: ['voiceHigher'] as const };
    expect(shown(flat, swell({ ...parameters, writtenMidi: 58 }))).toContain('have the pad height looked at');
    cleanup();
    expect(shown(flat, swell({ ...parameters, writtenMidi: 67 }))).toContain('another fingering helps');
  });
  it('tells three things at most, the heaviest first', () => {
    const text = shown({
      findings: [
        finding('sharp', { cents: 14, uncertainty: 1 }),
        finding('late', { ms: 132, uncertainty: 30 }),
        finding('peakLate', { beats: 1.26, uncertainty: 0.25 }),
        finding('stairs', { count: 1, beat: 3, atS: 2, db: 4.6 }),
      ],
    });
    expect(text).toMatch(/^Sharp by 14 cents.*132 ms late.*1\.3 beats late/);
    expect(text).not.toContain('bump');
  });
  it('says what comes next, and what of it is changed', () => {
    const text = shown({ decision: 'easier', next: { change: 'startLouder', parameters: { softest: 'mp' } } });
    expect(text).toContain('Start at mp instead of p.');
  });
  it('a hold that broke is played again until just before it broke', () =>
    expect(shown({ findings: [finding('heldUntilJump', { beats: 8, seconds: 8.1 })] })).toContain(
      'Stop at 7 s, whole',
    ));
  it('no key shades a bell note', () => {
    const tried = (score?: Score) =>
      shown({ findings: [finding('sharp', { cents: 14, uncertainty: 1 })], tries: ['voiceLower'] }, score);
    expect(tried()).toContain('with a key');
    document.body.replaceChildren();
    expect(tried(swell({ ...parameters, writtenMidi: 58 }))).not.toContain('key');
  });
  it('what to try follows the player’s school', () => {
    const tried = (softPlaying: 'slow' | 'pressure') => {
      store.dispatch(settingsChanged({ schools: { ...settings().schools, softPlaying } }));
      const text = shown({ tries: ['supportWhenSoft'] });
      document.body.replaceChildren();
      return text;
    };
    expect(tried('slow')).not.toBe(tried('pressure'));
  });
});

describe('the note that sounds', () => {
  it('is told when it changes, and only then', () => {
    const heard: (number | null)[] = [];
    const live = new LiveNote();
    const stop = live.subscribe(() => heard.push(live.get()));
    for (const note of [67, 67, 69, null, null]) live.set(note);
    stop();
    live.set(60);
    expect(heard).toEqual([67, 69, null]);
  });
});
