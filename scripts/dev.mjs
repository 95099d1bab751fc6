// The development loop: the server restarts and the page reloads when a file changes. Data: the demo's.
import { prepare } from './lib/generate.mjs';
import { bin, start } from './lib/steps.mjs';

prepare();
const API_PORT = '4101';
const server = start(process.execPath, ['--watch', '--import', 'tsx', 'src/server/main.ts'], {
  env: { JAUGE_PORT: API_PORT, JAUGE_DEMO: '1', JAUGE_LOG: 'info' },
});
const web = start(bin('expo'), ['start', '--web', '--port', '8081', '--host', 'localhost'], {
  env: { EXPO_NO_TELEMETRY: '1', EXPO_OFFLINE: '1', BROWSER: 'none', JAUGE_API_URL: `http://127.0.0.1:${API_PORT}` },
});
console.log('· Open http://localhost:8081 when the bundler says it waits there. Ctrl-C stops both.');
server.on('exit', () => web.kill('SIGTERM'));
web.on('exit', (code) => {
  server.kill('SIGTERM');
  process.exit(code ?? 0);
});
