import fs from 'node:fs';
import { createRequire } from 'node:module';
import path from 'node:path';
import type { Page } from '@playwright/test';

const source = fs.readFileSync(createRequire(path.resolve('package.json')).resolve('axe-core/axe.min.js'), 'utf8');

interface Violation {
  id: string;
  nodes: { html: string }[];
}

/**
 * Runs axe-core in the page and gives all it finds, each with the first places.
 *
 * @param rules these alone, those included that are not asked by default
 */
export async function axeFindings(page: Page, rules?: string[]): Promise<string[]> {
  await page.evaluate(source);
  const violations = (await page.evaluate(
    `axe.run(${rules ? JSON.stringify({ runOnly: { type: 'rule', values: rules } }) : ''}).then((result) => result.violations)`,
  )) as Violation[];
  return violations.map(
    ({ id, nodes }) =>
      `${id}: ${nodes
        .map((node) => node.html.slice(0, 160))
        .slice(0, 3)
        .join(' | ')}`,
  );
}
