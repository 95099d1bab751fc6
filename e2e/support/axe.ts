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
  // Put in once for a page, and told in full only where it finds something: what passes is not asked for.
  if (await page.evaluate("typeof axe === 'undefined'")) await page.evaluate(source);
  const options = { resultTypes: ['violations'], ...(rules ? { runOnly: { type: 'rule', values: rules } } : {}) };
  const violations = (await page.evaluate(
    `axe.run(${JSON.stringify(options)}).then((result) => result.violations)`,
  )) as Violation[];
  return violations.map(
    ({ id, nodes }) =>
      `${id}: ${nodes
        .map((node) => node.html.slice(0, 160))
        .slice(0, 3)
        .join(' | ')}`,
  );
}
