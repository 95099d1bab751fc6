import { makeReaders } from '../scripts/lib/pictureLibrary.mjs';

export default makeReaders;
