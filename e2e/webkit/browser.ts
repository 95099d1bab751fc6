import { spawn, type ChildProcess } from 'node:child_process';
import fs from 'node:fs';
import { Builder, By, Capabilities, until, type WebDriver, type WebElement } from 'selenium-webdriver';

/** Where Debian and its relatives lay the engine's own small browser. */
const BROWSERS = [
  '/usr/lib/x86_64-linux-gnu/webkit2gtk-4.1/MiniBrowser',
  '/usr/lib/aarch64-linux-gnu/webkit2gtk-4.1/MiniBrowser',
];
const DRIVER_PORT = 4141;
const PATIENCE_MS = 60_000;

const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** A WebKit on a screen that is not there. */
export interface WebKit {
  driver: WebDriver;
  /** The first element that matches, once it is in sight. */
  find: (selector: string) => Promise<WebElement>;
  /** A key or link by what it is called. */
  named: (role: string, name: string) => Promise<WebElement>;
  /** Waits until the page says so. */
  says: (text: string) => Promise<void>;
  close: () => Promise<void>;
}

function started(command: string, args: string[], env: Record<string, string> = {}): ChildProcess {
  const child = spawn(command, args, { env: { ...process.env, ...env }, stdio: 'ignore' });
  child.on('error', (error) => {
    throw error;
  });
  return child;
}

/** Opens the engine with a page of a width and a height, CSS px. */
export async function openWebKit(width: number, height: number): Promise<WebKit> {
  const binary = BROWSERS.find((each) => fs.existsSync(each));
  if (!binary) throw new Error('WebKit is missing. Debian: apt-get install webkit2gtk-driver xvfb');
  const display = `:${90 + Math.floor(Math.random() * 900)}`;
  const screen = started('Xvfb', [display, '-screen', '0', '1600x1200x24']);
  await wait(1000);
  const service = started('WebKitWebDriver', [`--port=${DRIVER_PORT}`], { DISPLAY: display });
  await wait(1000);
  const end = () => {
    service.kill();
    screen.kill();
  };
  try {
    const capabilities = new Capabilities({
      browserName: 'MiniBrowser',
      'webkitgtk:browserOptions': { binary, args: ['--automation', '--full-screen'] },
    });
    const driver = await new Builder()
      .usingServer(`http://127.0.0.1:${DRIVER_PORT}`)
      .withCapabilities(capabilities)
      .build();
    await fit(driver, width, height);
    return { ...reading(driver), driver, close: () => driver.quit().then(end, end) };
  } catch (error) {
    end();
    throw error;
  }
}

/** Without the browser's own bars, which are wider than a phone; the window gets so much larger than the page as its own frame takes. */
async function fit(driver: WebDriver, width: number, height: number): Promise<void> {
  await driver.manage().window().setRect({ x: 0, y: 0, width, height });
  const [inner, outer] = await driver.executeScript<[number, number]>('return [innerWidth, innerHeight]');
  await driver
    .manage()
    .window()
    .setRect({ x: 0, y: 0, width: 2 * width - inner, height: 2 * height - outer });
}

function reading(driver: WebDriver): Pick<WebKit, 'find' | 'named' | 'says'> {
  const find = async (selector: string) => {
    const element = await driver.wait(until.elementLocated(By.css(selector)), PATIENCE_MS, selector);
    await driver.wait(until.elementIsVisible(element), PATIENCE_MS, selector);
    return element;
  };
  return {
    find,
    named: (role, name) => find(`[role="${role}"][aria-label^="${name}"]`),
    says: async (text) => {
      await driver.wait(
        async () => (await driver.executeScript<string>('return document.body.innerText')).includes(text),
        PATIENCE_MS,
        `the page never said “${text}”`,
      );
    },
  };
}
