import { readMidi, readMusicXml, type ImportedParts } from '@inner-hum/core/formats';
import { expose } from 'comlink';

const service = {
  /** Parts of a score file; `onProgress` is told how far it is, 0–1. */
  read(bytes: Uint8Array<ArrayBuffer>, isMidi: boolean, onProgress: (share: number) => void): ImportedParts {
    return isMidi ? readMidi(bytes) : readMusicXml(bytes, onProgress);
  },
};
export type ScoreService = typeof service;
expose(service);
