import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';

/** A sound card in memory: what is played into its room is what every browser's microphone hears, at 48 kHz. */
export interface SoundCard {
  /** what a browser must have in its environment to use it */
  readonly env: Readonly<Record<string, string>>;
  /** plays a WAV file into the room; ends when it has been played */
  play(wav: string): Promise<void>;
  end(): void;
}

export async function soundCard(): Promise<SoundCard> {
  const folder = mkdtempSync(join(tmpdir(), 'sound-'));
  const env = { XDG_RUNTIME_DIR: folder, PULSE_SERVER: `unix:${folder}/native`, HOME: folder };
  const all = { ...process.env, ...env };
  const daemon = spawn(
    'pulseaudio',
    [
      '-n',
      '--daemonize=no',
      '--exit-idle-time=-1',
      '--disallow-exit',
      '--realtime=no',
      '--high-priority=no',
      '-L',
      `module-native-protocol-unix auth-anonymous=1 socket=${folder}/native`,
      '-L',
      'module-null-sink sink_name=room rate=48000',
      '-L',
      'module-null-sink sink_name=out rate=48000',
      '-L',
      'module-remap-source master=room.monitor source_name=mic',
    ],
    { env: all, stdio: 'ignore' },
  );
  const control = (...args: string[]) => execFileSync('pactl', args, { env: all, stdio: ['ignore', 'pipe', 'ignore'] });
  for (let tries = 0; ; tries++)
    try {
      control('set-default-sink', 'out');
      control('set-default-source', 'mic');
      break;
    } catch (error) {
      if (tries > 50) throw error;
      await pause(100);
    }
  const players = new Set<ChildProcess>();
  return {
    env,
    play: (wav) =>
      new Promise((resolve, reject) => {
        const player = spawn('paplay', ['--device=room', wav], { env: all, stdio: 'ignore' });
        players.add(player);
        player.on('error', reject);
        player.on('close', () => {
          players.delete(player);
          resolve();
        });
      }),
    end() {
      for (const player of players) player.kill();
      daemon.kill('SIGKILL');
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
