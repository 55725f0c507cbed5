// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { AudioInput } from '../input/audioInput';
import type { Ear } from '../input/ear';
import { PageSound } from './pageSound';
import { Speaker } from './speaker';

/** A page whose inputs open when a test says so. */
function made() {
  const inputs: { unplug: () => void; close: () => Promise<void>; wake: () => Promise<void>; closed: boolean }[] = [];
  const opens: (() => void)[] = [];
  vi.spyOn(AudioInput, 'open').mockImplementation(
    () =>
      new Promise((resolve) =>
        opens.push(() => {
          const input = { unplug: vi.fn(), close: vi.fn(async () => undefined), wake: vi.fn(async () => undefined) };
          inputs.push(Object.assign(input, { closed: false }));
          resolve(inputs.at(-1) as unknown as AudioInput);
        }),
      ),
  );
  const replace = vi.fn();
  const page = new PageSound({ replace } as unknown as Ear);
  return { page, inputs, replace, opened: () => opens.splice(0).forEach((open) => open()) };
}

beforeEach(() => void vi.useFakeTimers());
afterEach(() => {
  vi.useRealTimers();
  vi.restoreAllMocks();
});

describe('the sound input of a page', () => {
  it('is one for all who hold it, and is unplugged when the last lets go', async () => {
    const { page, inputs, opened } = made();
    const [take, session] = [page.hold(), page.hold()];
    const both = Promise.all([take.open(), session.open()]);
    opened();
    const [first, second] = await both;
    expect(first).toBe(second);
    take.release();
    take.release();
    await vi.advanceTimersByTimeAsync(1000);
    expect(inputs[0]!.unplug).not.toHaveBeenCalled();
    session.release();
    await vi.advanceTimersByTimeAsync(1000);
    expect(inputs[0]!.unplug).toHaveBeenCalledTimes(1);
  });

  it('goes on with who holds it soon after', async () => {
    const { page, inputs, opened } = made();
    const hold = page.hold();
    const input = hold.open();
    opened();
    await input;
    hold.release();
    await vi.advanceTimersByTimeAsync(100);
    page.hold();
    await vi.advanceTimersByTimeAsync(5000);
    expect(inputs[0]!.unplug).not.toHaveBeenCalled();
  });

  it('that was ended while it opened is not taken into use', async () => {
    const { page, opened, replace } = made();
    const asked = page.hold().open();
    await page.end();
    opened();
    await expect(asked).rejects.toThrow('ended while it opened');
    expect(page.input).toBeUndefined();
    expect(replace).toHaveBeenCalledTimes(1);
  });

  it('that the browser has closed gives way to another', async () => {
    const { page, inputs, opened } = made();
    const hold = page.hold();
    const asked = hold.open();
    opened();
    await asked;
    inputs[0]!.closed = true;
    const again = hold.open();
    await vi.advanceTimersByTimeAsync(0);
    opened();
    expect(await again).toBe(inputs[1]);
  });
});

it('of what the page plays one sounds at a time, and a microphone is told of all', () => {
  const speaker = new Speaker();
  const gaveWay: string[] = [];
  const player = (name: string) => ({ giveWay: () => gaveWay.push(name) });
  const [first, second] = [player('first'), player('second')];
  speaker.takeTurn(first);
  speaker.takeTurn(first);
  expect(gaveWay).toEqual([]);
  speaker.takeTurn(second);
  expect(gaveWay).toEqual(['first']);
  speaker.began(second);
  expect(speaker.sounds).toBe(true);
  speaker.isOver(second);
  expect(speaker.sounds).toBe(false);
  speaker.takeTurn(first);
  expect(gaveWay).toEqual(['first']);
});
