/** Writes docs/examples/photos: small photos by the simulated camera, one set for each question of the command line. */
import fs from 'node:fs';
import path from 'node:path';
import { encode } from 'fast-png';
import { writeTiff } from '../src/core/formats/pictures/writePictures';
import type { Grey } from '../src/core/picture/grey';
import { srgbOfLight } from '../src/core/picture/tone';
import { edgePicture } from '../src/core/simulate/edgeScene';
import { evenFrame, type EvenMade } from '../src/core/simulate/evenSurface';
import { shaken, shakePath } from '../src/core/simulate/shaken';
import { randomDisc } from '../tests/support/randomDisc';
import { opticsOf, randomEdge } from '../tests/support/randomEdge';
import { randomPair } from '../tests/support/randomPair';
import { randomRuler } from '../tests/support/randomRuler';
import { randomStars } from '../tests/support/randomStars';

const folder = path.resolve(__dirname, '../docs/examples/photos');
fs.mkdirSync(folder, { recursive: true });
const save = (name: string, bytes: Uint8Array) => fs.writeFileSync(path.join(folder, name), bytes);

function png(name: string, { width, height, data }: Pick<Grey, 'width' | 'height' | 'data'>): void {
  const codes = Uint8Array.from(data, (light) => Math.round(255 * srgbOfLight(Math.max(0, Math.min(1, light)))));
  save(name, encode({ width, height, data: codes, channels: 1 }));
}

png('ruler.png', randomRuler(12, 480, 320, ['millimetre']).grey);
png('planet.png', randomDisc(7, 'lit', 150).grey);
png('edge.png', randomEdge(5, false, 320, 240).grey);
png('stars.png', randomStars(3, 480, 320).grey);
const pair = randomPair(6, 280, 220);
png('pair-a.png', pair.a);
png('pair-b.png', pair.b);

const even: EvenMade = {
  width: 128,
  height: 96,
  gain: 1.7,
  readNoise: 4,
  black: 512,
  white: 65_535,
  exposure: 0.4,
  falloff: 0.2,
  unequal: 0.01,
  sensorSeed: 3,
};
for (const [i, exposure] of [0.4, 0.4, 0, 0].entries()) {
  const light = Float32Array.from(evenFrame({ ...even, exposure }, 20 + i), (code) => code / 65_535);
  const picture = { width: even.width, height: even.height, light };
  save(
    `${exposure > 0 ? 'flat' : 'dark'}-${(i % 2) + 1}.tif`,
    writeTiff(picture, 'Ostrel R45', (value) => value),
  );
}

const steady = { edgeDeg: 97, offsetPx: 0, dark: 0.1, light: 0.6, optics: opticsOf(0.8, 0.6), cutoff: 1.25 };
const sharp = edgePicture(steady, 160, 120);
for (const [i, moved] of [0, 0.2, 0.1, 0.3, 5, 0.2, 6, 4, 7].entries())
  png(`hand-${i + 1}.png`, { width: 160, height: 120, data: shaken(sharp, 160, 120, shakePath(moved, 0, 0)) });
