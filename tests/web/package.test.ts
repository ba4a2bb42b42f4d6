import { readFileSync } from 'node:fs';

import { describe, expect, test } from 'vitest';

interface Package {
  scripts: Record<string, string>;
  dependencies: Record<string, string>;
  devDependencies: Record<string, string>;
}

const packages = JSON.parse(readFileSync('package.json', 'utf8')) as Package;

/** The package whose command a script begins with. */
const commandOf = (script: string): string => packages.scripts[script]?.split(' ')[0] ?? '';

describe('what a server needs to build the front end', () => {
  // A server installs no more than the dependencies; the tests have the others too, and would not notice.
  test('is among the dependencies: the commands of its scripts', () => {
    expect(commandOf('api')).toBe('openapi-typescript');
    expect(commandOf('build')).toBe('vite');
    for (const name of [commandOf('api'), commandOf('build'), 'typescript']) {
      expect(Object.keys(packages.dependencies)).toContain(name);
      expect(Object.keys(packages.devDependencies)).not.toContain(name);
    }
  });

  test('and what the settings of the build load', () => {
    const loaded = [...readFileSync('vite.config.ts', 'utf8').matchAll(/from '([^']+)'/g)]
      .map((found) => found[1] ?? '')
      .filter((name) => !name.startsWith('node:'));
    expect(loaded.length).toBeGreaterThan(0);
    for (const name of loaded) expect(Object.keys(packages.dependencies)).toContain(name);
  });
});
