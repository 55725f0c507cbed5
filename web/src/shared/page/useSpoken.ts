import { useEffect } from 'react';

/** Reads a text aloud by the browser's own voice, from when it is first there until it is gone; nothing for undefined. */
export function useSpoken(text: string | undefined, language: string): void {
  useEffect(() => {
    if (text === undefined || !('speechSynthesis' in window)) return;
    // An uncertainty is for the eye.
    const speech = new SpeechSynthesisUtterance(text.replaceAll(/ ?\(±[^)]*\)/g, ''));
    speech.lang = language;
    speechSynthesis.speak(speech);
    return () => speechSynthesis.cancel();
  }, [text, language]);
}
