import { CHROMIUM_FLAGS } from '../playwright.config';

/** Launches Chromium with a WAV file, over and over, as the sound of its microphone; the permission is given. */
export function hearing(wav: string) {
  return {
    executablePath: '/usr/bin/chromium',
    args: [
      ...CHROMIUM_FLAGS,
      '--use-fake-ui-for-media-stream',
      '--use-fake-device-for-media-stream',
      `--use-file-for-fake-audio-capture=${wav}`,
    ],
  };
}
