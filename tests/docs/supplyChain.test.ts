import fs from 'node:fs';
import path from 'node:path';
import { root } from '../../scripts/documents/markdown';

interface Locked {
  resolved?: string;
  integrity?: string;
  link?: boolean;
  inBundle?: boolean;
  hasInstallScript?: boolean;
}
const lock = JSON.parse(fs.readFileSync(path.join(root, 'package-lock.json'), 'utf8')) as {
  packages: Record<string, Locked>;
};
const packages = Object.entries(lock.packages).filter(([name]) => name !== '');
const { allowScripts } = JSON.parse(fs.readFileSync(path.join(root, 'package.json'), 'utf8')) as {
  allowScripts: Record<string, boolean>;
};
const nameOf = (folder: string) => folder.split('node_modules/').at(-1)!;

it('every package is held by a strong hash of its contents', () => {
  const weak = packages.filter(
    ([, { integrity, inBundle, link }]) => !inBundle && !link && !/^sha512-/.test(integrity ?? ''),
  );
  expect(weak.map(([name]) => name)).toEqual([]);
});

it('every package comes from the registry it is asked of, none from an address of its own', () => {
  const elsewhere = packages.filter(
    ([, { resolved }]) => resolved !== undefined && !/^https:\/\/registry\.npmjs\.org\//.test(resolved),
  );
  expect(elsewhere.map(([name, { resolved }]) => `${name}: ${resolved}`)).toEqual([]);
});

it('only known packages run scripts when they are installed', () => {
  const running = packages.filter(([, { hasInstallScript }]) => hasInstallScript).map(([name]) => nameOf(name));
  const KNOWN = new Set(Object.keys(allowScripts));
  expect([...new Set(running)].filter((name) => !KNOWN.has(name))).toEqual([]);
});
