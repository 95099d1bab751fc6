// Writes THIRD-PARTY.md from the lockfile and the build. `-- --check` compares instead.
import { buildCommandLine, buildServer, buildWeb } from './lib/build.mjs';
import { prepare } from './lib/generate.mjs';
import { run } from './lib/steps.mjs';

prepare();
await buildWeb();
buildServer();
buildCommandLine();
run(process.execPath, ['--import', 'tsx', 'scripts/documents/thirdParty.ts', ...process.argv.slice(2)]);
