const http = require('node:http');
const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);

// @rneui/base 5 loads icon sets from optional packages. Send the one we use to
// @expo/vector-icons and leave every other set (17 fonts, 400 kB of glyph maps) out.
const ICON_SETS = {
  '@react-native-vector-icons/material-icons': '@expo/vector-icons/MaterialIcons',
};
config.resolver.resolveRequest = (context, name, platform) => {
  if (ICON_SETS[name]) return context.resolveRequest(context, ICON_SETS[name], platform);
  if (/[\\/]@rneui[\\/]base[\\/]/.test(context.originModulePath) && name.includes('vector-icons')) {
    return { type: 'sourceFile', filePath: path.join(__dirname, 'src/ui/missingIconSet.js') };
  }
  // pdf-lib asks tslib for named helpers; tslib's entry for Node hands on a default that the bundler does not find.
  if (name === 'tslib') return { type: 'sourceFile', filePath: require.resolve('tslib/tslib.es6.js') };
  return context.resolveRequest(context, name, platform);
};

// Dev only: `expo start --web` hands /api to the Express server, so the app always uses same-origin URLs.
const API = process.env.JAUGE_API_URL ?? 'http://127.0.0.1:4101';
config.server.enhanceMiddleware = (metro) => (req, res, next) => {
  if (!req.url.startsWith('/api/')) return metro(req, res, next);
  const up = http.request(new URL(req.url, API), { method: req.method, headers: req.headers }, (r) => {
    res.writeHead(r.statusCode, r.headers);
    r.pipe(res);
  });
  up.on('error', (e) => {
    res.writeHead(502);
    res.end(String(e));
  });
  req.pipe(up);
};

// A module runs when it is first used, not when the page starts: most of the start on a slow phone was modules the first
// view never touches.
config.transformer.getTransformOptions = async () => ({
  transform: { experimentalImportSupport: true, inlineRequires: true },
});

module.exports = config;
