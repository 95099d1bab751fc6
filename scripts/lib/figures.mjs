// Writes measured figures into docs/benchmarks.md: one section a measurement, with date and machine; the others stay.
import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import { inRoot } from './steps.mjs';

const HEAD = `# Benchmarks

Measured figures, written by \`npm run bench\`, \`npm run torture\`, \`npm run trial\` and
\`npm run mutate -- <folder>\` with \`--write\`. Nobody edits this page by hand. A ratio below 1 is within the bound.
`;

const commit = () => {
  try {
    return execFileSync('git', ['rev-parse', '--short', 'HEAD'], { cwd: inRoot(), encoding: 'utf8' }).trim();
  } catch {
    return 'unknown';
  }
};

/** Puts a section of lines in the place of the one with its title, or at the end. */
export function writeFigures(title, lines) {
  const file = inRoot('docs', 'benchmarks.md');
  const old = fs.existsSync(file) ? fs.readFileSync(file, 'utf8') : '';
  const sections = new Map(
    old
      .split(/^## /m)
      .slice(1)
      .map((section) => [section.slice(0, section.indexOf('\n')), section.slice(section.indexOf('\n'))]),
  );
  const cpus = os.cpus();
  const machine = `${cpus.length} cores (${cpus[0]?.model.trim() ?? 'unknown'}), Node ${process.version}`;
  const day = new Date().toISOString().slice(0, 10);
  const room = Math.round(os.totalmem() / 2 ** 30);
  sections.set(
    title,
    `\n\n${day}, commit ${commit()}, ${machine}, ${room} GiB.\n\n\`\`\`\n${lines.join('\n').trimEnd()}\n\`\`\`\n`,
  );
  const all = [...sections].map(([name, text]) => `## ${name}${text.trimEnd()}\n`);
  fs.writeFileSync(file, `${HEAD}\n${all.join('\n')}`);
}
