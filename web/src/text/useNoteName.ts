import { noteName } from '@inner-hum/core/theory';
import { useCallback } from 'react';
import { useAppSelector } from '../store';

/** Name of a written note in the player's own system. */
export function useNoteName(): (midi: number) => string {
  const system = useAppSelector((state) => state.settings.noteNames);
  const spelling = useAppSelector((state) => state.settings.spelling);
  return useCallback((midi) => noteName(midi, system, spelling), [system, spelling]);
}
