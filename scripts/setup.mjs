// Installs the packages when they are missing or out of date.
import { installPackages } from './lib/steps.mjs';

installPackages();
