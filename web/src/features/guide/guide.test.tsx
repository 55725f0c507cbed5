// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { STAGES } from '@inner-hum/core/families';
import { fireEvent, screen, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { freshEachTime, inApp } from '../../testing/inApp';
import GuidePage from './GuidePage';

freshEachTime();

const terms = () => screen.queryAllByRole('term').map((term) => term.textContent);

describe('the guide', () => {
  it('has each term once, in the order of the alphabet, and four lines for each drawing', () => {
    inApp(<GuidePage />, '/guide');
    expect(new Set(terms()).size).toBe(20);
    expect(terms()).toEqual([...terms()].sort((a, b) => a!.localeCompare(b!)));
    for (const list of screen.getAllByRole('list')) expect(within(list).getAllByRole('listitem')).toHaveLength(4);
    expect(screen.getAllByRole('list')).toHaveLength(4);
  });
  it('finds a word in a name and in what is said of it, and says when there is none', () => {
    inApp(<GuidePage />, '/guide');
    const look = (value: string) => fireEvent.change(screen.getByLabelText('Look for a word'), { target: { value } });
    look('twelfth');
    expect(terms()).toEqual(['Partial']);
    expect(screen.queryAllByRole('list')).toHaveLength(0);
    look('hatched');
    expect(screen.getByRole('heading', { name: 'The ribbon' })).toBeTruthy();
    look('nothing of the kind');
    expect(screen.getByRole('status').textContent).toBe('No such word here.');
  });
  it('says of every stage what it is for, and is searched there too', () => {
    inApp(<GuidePage />, '/guide');
    for (const stage of STAGES)
      expect(document.getElementById(`stage-${stage}`)!.textContent!.length).toBeGreaterThan(120);
    fireEvent.change(screen.getByLabelText('Look for a word'), { target: { value: 'numb lip' } });
    expect(STAGES.filter((stage) => document.getElementById(`stage-${stage}`))).toEqual(['altissimo']);
  });
});
