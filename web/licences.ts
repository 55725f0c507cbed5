import { readdirSync, readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join, resolve } from 'node:path';
import type { Plugin } from 'vite';
import type { Licence } from './src/features/setup/licence';

interface Manifest {
  readonly name: string;
  readonly version: string;
  readonly license?: string;
  /** as older packages say it */
  readonly licenses?: readonly { readonly type: string }[];
  readonly dependencies?: Readonly<Record<string, string>>;
}

/** Signs that are cut out of it are a font of ours (scripts/accidentals.ts), under its licence. */
const CUT_FROM = ['@fontsource/noto-music'];

/** Licences of all that a folder's package depends on, with what that depends on, by name. */
export function licencesOf(places: readonly string[]): Licence[] {
  const folders = places.map((place) => resolve(place));
  const found = new Map<string, Licence>();
  const visit = (name: string, from: string): void => {
    if (name.startsWith('@inner-hum/') || found.has(name)) return;
    const home = homeOf(name, from);
    if (home === undefined) return;
    const { version, licenses = [], license = licenses[0]?.type ?? '', dependencies = {} } = manifestOf(home);
    const file = readdirSync(home).find((entry) => /^(licen[cs]e|copying)/i.test(entry));
    found.set(name, {
      name,
      version,
      licence: license,
      text: file ? readFileSync(join(home, file), 'utf8').trim() : '',
    });
    for (const below of Object.keys(dependencies)) visit(below, home);
  };
  for (const folder of folders)
    for (const name of Object.keys(manifestOf(folder).dependencies ?? {})) visit(name, folder);
  for (const name of CUT_FROM) visit(name, folders[0]!);
  return [...found.values()].sort((a, b) => a.name.localeCompare(b.name));
}

/** Where a package lies, as seen from a folder; undefined for one that is optional and not here. */
function homeOf(name: string, from: string): string | undefined {
  const paths = createRequire(join(from, 'package.json')).resolve.paths(name) ?? [];
  return paths.map((path) => join(path, name)).find((path) => readdirSafe(path).includes('package.json'));
}

function readdirSafe(path: string): string[] {
  try {
    return readdirSync(path);
  } catch {
    return [];
  }
}

const manifestOf = (home: string) => JSON.parse(readFileSync(join(home, 'package.json'), 'utf8')) as Manifest;

/** Puts the licence texts of fonts and libraries into the build as `licences.json`; Set-up lists them. */
export function licences(): Plugin {
  const folders = [import.meta.dirname, join(import.meta.dirname, '../core')];
  const source = () => JSON.stringify(licencesOf(folders));
  return {
    name: 'licences',
    generateBundle() {
      this.emitFile({ type: 'asset', fileName: 'licences.json', source: source() });
    },
    configureServer(server) {
      server.middlewares.use('/licences.json', (_, response) => void response.end(source()));
    },
  };
}
