// Installs the packages when they are missing or out of date.
import { prepare } from './lib/generate.mjs';

prepare();
