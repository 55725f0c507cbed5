import { JUDGE_RULES } from '@inner-hum/core/judge';
import { fromInt16, packedLength } from '@inner-hum/core/take';
import type { WholeTake } from '@inner-hum/core/take';
import { replaceTake } from '../db/takes';
import { takeOf } from '@inner-hum/core/take';
import { assignmentFor, recorderSettingsFor } from './planNow';
import type { Ear } from '../input/ear';

/**
 * Judges a take that could not be judged when it was played, from its frames or, where there are none, from its sound,
 * and puts it in the old one's place.
 * @throws when it can't be judged now either; the take is as it was
 */
export async function judgeAgain(ear: Pick<Ear, 'ask'>, { record, frames, sound }: WholeTake): Promise<void> {
  const planned = assignmentFor(record);
  // What the device lost stays lost.
  const about = { ...planned, ...(planned.device && record.lost && { device: { lost: record.lost } }) };
  if (record.frameCount > 0 && frames.length === packedLength(record.frameCount)) {
    const packed = new Uint8Array(frames);
    const judged = await ear.ask.assessFrames(packed, record.frameCount, {
      ...about,
      firstBeatS: record.firstBeatS,
    });
    const { unjudged: reason, ...rest } = record;
    if (reason !== undefined) await replaceTake({ record: { ...rest, ...judged, judgedBy: JUDGE_RULES }, frames });
    return;
  }
  if (!sound) throw new Error('there is neither sound nor frames');
  const plan = { ...record, firstBeatS: record.firstBeatS };
  const heard = await ear.ask.assessRecording(
    fromInt16(sound.samples),
    recorderSettingsFor(plan, sound.sampleRateHz),
    about,
    record.firstBeatS,
  );
  if (!heard) throw new Error('no sound');
  if (heard.unjudged !== undefined) throw new Error(heard.unjudged);
  const judged = takeOf(plan, heard, { id: record.id, cut: record.cut, keepSound: true });
  const { note, demo, remarks } = record;
  await replaceTake({ ...judged, record: { ...judged.record, note, demo, ...(remarks && { remarks }) } });
}
