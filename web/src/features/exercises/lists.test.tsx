// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { type ExerciseParameters } from '@inner-hum/core/exercise';
import { FAMILIES, familyById, usualExercise, TOPICS, topicsOf } from '@inner-hum/core/families';
import { fireEvent, screen, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { store } from '../../store';
import { settingsChanged } from '../../store/settings';
import { freshEachTime, inApp, settings } from '../../testing/inApp';
import { BlockList } from './BlockList';
import { FamilyList, type AimChoice } from './FamilyList';
import { OwnExercises } from './OwnExercises';

freshEachTime();

const exercise = (family: string) => usualExercise(familyById(family), 'alto');

describe('the families', () => {
  const shown = (chosen = 'hold', aim: AimChoice = 'all') => {
    const chose = vi.fn<(id: string) => void>();
    inApp(<FamilyList chosen={chosen} onChoose={chose} aim={aim} onAim={() => undefined} />);
    return chose;
  };
  it('are all there, once', () => {
    shown();
    const names = screen.getAllByRole('button').filter((element) => element.hasAttribute('aria-current'));
    expect(names).toHaveLength(FAMILIES.length);
    expect(new Set(names.map((name) => name.textContent)).size).toBe(FAMILIES.length);
  });
  it('for an aim are those that are about it', () => {
    shown('hold', 'level');
    expect(screen.getByRole('button', { name: 'Swell' })).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Heard interval' })).toBeNull();
  });
  it('every aim has some to choose from, and every one serves an aim', () => {
    for (const aim of TOPICS)
      expect(
        FAMILIES.some((family) => topicsOf(family).includes(aim)),
        aim,
      ).toBe(true);
    for (const family of FAMILIES) expect(topicsOf(family).length, family.id).toBeGreaterThan(0);
  });
  it('a click chooses one', () => {
    const chose = shown();
    fireEvent.click(screen.getByRole('button', { name: 'Hold' }));
    expect(chose).toHaveBeenCalledWith('hold');
  });
  it('the marked ones come first, and still once', () => {
    shown('survey');
    fireEvent.click(screen.getByRole('button', { pressed: false }));
    expect(settings().favourites).toEqual(['survey']);
    const names = screen.getAllByRole('button').filter((element) => element.hasAttribute('aria-current'));
    expect(names[0]!.getAttribute('aria-current')).toBe('true');
    expect(names).toHaveLength(FAMILIES.length);
    fireEvent.click(screen.getByRole('button', { pressed: true }));
    expect(settings().favourites).toEqual([]);
  });
});

describe('the block', () => {
  const put = (...families: string[]) => store.dispatch(settingsChanged({ block: families.map(exercise) }));
  const families = () => settings().block.map((parameters) => parameters.family);
  const show = () => inApp(<BlockList nameOf={(parameters: ExerciseParameters) => parameters.family} />);
  it('empty says what it is for and starts nothing', () => {
    show();
    expect(screen.queryAllByRole('button')).toEqual([]);
  });
  it('an exercise moves up by one, the first can’t', () => {
    put('hold', 'swell', 'survey');
    show();
    const rows = screen.getAllByRole('listitem');
    expect(within(rows[0]!).queryByText('Earlier')).toBeNull();
    fireEvent.click(within(rows[2]!).getByText('Earlier'));
    expect(families()).toEqual(['hold', 'survey', 'swell']);
  });
  it('the same exercise twice is two, and one of them goes', () => {
    put('hold', 'hold', 'swell');
    show();
    fireEvent.click(within(screen.getAllByRole('listitem')[1]!).getByText('Remove'));
    expect(families()).toEqual(['hold', 'swell']);
  });
  it('is cleared at once', () => {
    put('hold', 'swell');
    show();
    fireEvent.click(screen.getByText('Empty the block'));
    expect(families()).toEqual([]);
  });
});

describe('own exercises', () => {
  const show = (now = exercise('hold')) => {
    const use = vi.fn<(parameters: ExerciseParameters) => void>();
    inApp(<OwnExercises exercise={now} onUse={use} />);
    return use;
  };
  const keep = (name: string) => {
    fireEvent.change(screen.getByRole('textbox'), { target: { value: name } });
    fireEvent.submit(screen.getByRole('textbox').closest('form')!);
  };
  it('are kept under a name, used, doubled and removed', () => {
    const use = show();
    keep('low C');
    expect(settings().own).toEqual([{ name: 'low C', exercise: exercise('hold') }]);
    fireEvent.click(screen.getByText('Use'));
    expect(use).toHaveBeenCalledWith(exercise('hold'));
    fireEvent.click(screen.getByText('Duplicate'));
    expect(settings().own).toHaveLength(2);
    fireEvent.click(screen.getAllByText('Remove')[0]!);
    expect(settings().own.map((entry) => entry.name)).not.toContain('low C');
  });
  it('without a name are not kept, and that is said', () => {
    show();
    keep('  ');
    expect(settings().own).toEqual([]);
    expect(screen.getByRole('alert')).toBeTruthy();
  });
  it('the same name again replaces it', () => {
    store.dispatch(settingsChanged({ own: [{ name: 'low C', exercise: exercise('swell') }] }));
    show();
    keep('low C');
    expect(settings().own).toEqual([{ name: 'low C', exercise: exercise('hold') }]);
  });
});
