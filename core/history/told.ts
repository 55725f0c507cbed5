import { isDay } from '@inner-hum/core/exercise';
import { isPlayed } from '@inner-hum/core/families';
import { LOUDNESS_BANDS } from '@inner-hum/core/measure';
import { INSTRUMENTS } from '@inner-hum/core/theory';
import type { Cell } from './cells';
import type { Digest } from './digest';
import type { Milestone } from './milestones';
import type { Observation } from './observation';
import type { ReedUse } from './reedUse';
import type { TonesOfDay } from './tones';

/*
 * Whether stored rows that takes told are what they should be. Plain checks, not a schema: lists and trends read thousands
 * of rows at once, and a row that is not right is made anew from its take.
 */

type Loose = Readonly<Record<string, unknown>>;
const isObject = (value: unknown): value is Loose => typeof value === 'object' && value !== null;
const isReal = (value: unknown) => typeof value === 'number' && Number.isFinite(value);
const isText = (value: unknown) => typeof value === 'string';
const isMidi = (value: unknown) => Number.isInteger(value) && Number(value) >= 0 && Number(value) <= 127;
const isHorn = (value: unknown) => INSTRUMENTS.some((instrument) => instrument.id === value);
const isList = (value: unknown, entry: (candidate: unknown) => boolean) => Array.isArray(value) && value.every(entry);
const isSetup = (value: unknown) =>
  isObject(value) && isHorn(value['instrumentId']) && Object.values(value).every(isText);

function isObservation(value: unknown): value is Observation {
  if (!isObject(value)) return false;
  const { atMs, midi, fingeredMidi, partial, band, attack, tried, spoke, values } = value;
  return (
    [atMs, partial].every(isReal) &&
    [midi, fingeredMidi].every(isMidi) &&
    (LOUDNESS_BANDS as readonly unknown[]).includes(band) &&
    isText(attack) &&
    typeof tried === 'boolean' &&
    typeof spoke === 'boolean' &&
    isObject(values) &&
    Object.values(values).every((entry) => entry === undefined || isReal(entry))
  );
}

export function isCell(value: unknown): value is Cell {
  if (!isObject(value)) return false;
  const { key, setup, setupKey, instrumentId, midi, fingeredMidi, partial, band, got, of, recent } = value;
  return (
    [key, setupKey].every(isText) &&
    isSetup(setup) &&
    isHorn(instrumentId) &&
    [midi, fingeredMidi].every(isMidi) &&
    [partial, got, of].every(isReal) &&
    (LOUDNESS_BANDS as readonly unknown[]).includes(band) &&
    isList(recent, isObservation)
  );
}

export function isDigest(value: unknown): value is Digest {
  if (!isObject(value)) return false;
  const { takeId, startedAtMs, day, setup, setupKey, family, decision, parameters, next } = value;
  const { findings, lastsS, demo, shareInWindow, holds, seen, tags } = value;
  return (
    [takeId, setupKey, family, decision].every(isText) &&
    [startedAtMs, lastsS, shareInWindow].every(isReal) &&
    isDay(day) &&
    isSetup(setup) &&
    isPlayed(parameters) &&
    isObject(next) &&
    typeof demo === 'boolean' &&
    isList(findings, isText) &&
    isList(tags, isText) &&
    isList(holds, (entry) => isObject(entry) && isMidi(entry['midi']) && isReal(entry['holdS'])) &&
    isList(seen, isObservation)
  );
}

export function isTonesOfDay(value: unknown): value is TonesOfDay {
  if (!isObject(value)) return false;
  const { key, day, takeIds, instrumentIds, take, midi, partial, value: values } = value;
  const lengthOf = (list: unknown) => (ArrayBuffer.isView(list) ? (list as Uint8Array).length : -1);
  const count = lengthOf(take);
  return (
    isText(key) &&
    isDay(day) &&
    isList(takeIds, isText) &&
    isList(instrumentIds, isHorn) &&
    (takeIds as unknown[]).length === (instrumentIds as unknown[]).length &&
    take instanceof Uint16Array &&
    values instanceof Float32Array &&
    [midi, partial, values].every((list) => lengthOf(list) === count)
  );
}

export function isReedUse(value: unknown): value is ReedUse {
  if (!isObject(value)) return false;
  const { key, instrumentId, reed, playedS, takes, got, of } = value;
  return [key, reed].every(isText) && isHorn(instrumentId) && [playedS, takes, got, of].every(isReal);
}

export function isMilestone(value: unknown): value is Milestone {
  if (!isObject(value)) return false;
  const { key, kind, takeId, day, startedAtMs, instrumentId, midi } = value;
  return (
    [key, kind, takeId].every(isText) &&
    isDay(day) &&
    isReal(startedAtMs) &&
    isHorn(instrumentId) &&
    (midi === undefined || isMidi(midi))
  );
}
