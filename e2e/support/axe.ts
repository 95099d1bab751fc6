import fs from 'node:fs';
import { createRequire } from 'node:module';
import path from 'node:path';
import type { Page } from '@playwright/test';

const source = fs.readFileSync(createRequire(path.resolve('package.json')).resolve('axe-core/axe.min.js'), 'utf8');

interface Violation {
  id: string;
  impact: string;
  nodes: { html: string }[];
}

/** Runs axe-core in the page and gives its serious and critical findings, each with the first place. */
const AxeBuilder = {
  async serious(page: Page): Promise<string[]> {
    await page.evaluate(source);
    const violations = (await page.evaluate('axe.run().then((result) => result.violations)')) as Violation[];
    return violations
      .filter(({ impact }) => impact === 'serious' || impact === 'critical')
      .map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.html.slice(0, 160)).slice(0, 3).join(' | ')}`);
  },
};

export default AxeBuilder;
