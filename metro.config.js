const fs = require('node:fs');
const http = require('node:http');
const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);

// @rneui/base 5 loads icon sets from optional packages. Send the one we use to
// @expo/vector-icons and leave every other set (17 fonts, 400 kB of glyph maps) out.
const ICON_SETS = {
  '@react-native-vector-icons/material-icons': '@expo/vector-icons/MaterialIcons',
};
const inBundle = (file) => ({ type: 'sourceFile', filePath: path.join(__dirname, 'src/ui/bundle', file) });
// Packages whose index would bring more than is used.
const PARTS = {
  '@/ui/List': 'list.js',
  'expo-router': 'router.js',
  'd3-time': 'noTimeScales.js',
  'd3-time-format': 'noTimeScales.js',
};
// What the router's own modules ask for and this application never shows: no stack, no tabs, no map of the site.
const NAVIGATORS =
  /\/(fork\/native-stack\/createNativeStackNavigator|stack-utils|react-navigation\/bottom-tabs|views\/Sitemap|native-tabs\/NativeTabTrigger|screensFeatureFlags)$/;
// What React Native brings and nothing here shows; its list comes by a path of its own.
const UNSHOWN =
  /\/exports\/(FlatList|SectionList|VirtualizedList|Picker|Switch|CheckBox|ProgressBar|Share|Clipboard|Button|TouchableHighlight|TouchableOpacity|TouchableNativeFeedback|InputAccessoryView|YellowBox|LogBox|RefreshControl|Vibration|LayoutAnimation)$/;
const inReactNative = (file) =>
  /[\\/]react-native-web[\\/]dist[\\/](index|.*Animated(FlatList|SectionList))\.js$/.test(file);
const inRouter = (file) => /[\\/]expo-router[\\/]build[\\/]/.test(file);

config.resolver.resolveRequest = (context, name, platform) => {
  if (ICON_SETS[name]) return context.resolveRequest(context, ICON_SETS[name], platform);
  if (/[\\/]@rneui[\\/]base[\\/]/.test(context.originModulePath) && name.includes('vector-icons')) {
    return inBundle('missingIconSet.js');
  }
  if (PARTS[name]) return inBundle(PARTS[name]);
  if (inRouter(context.originModulePath) && NAVIGATORS.test(name)) return inBundle('noNavigators.js');
  if (inReactNative(context.originModulePath) && UNSHOWN.test(name)) return inBundle('nothing.js');
  // pdf-lib asks tslib for named helpers; tslib's entry for Node hands on a default that the bundler does not find.
  if (name === 'tslib') return { type: 'sourceFile', filePath: require.resolve('tslib/tslib.es6.js') };
  return context.resolveRequest(context, name, platform);
};

// Dev only: `expo start --web` hands /api to the Express server, so the app always uses same-origin URLs.
const API = process.env.JAUGE_API_URL ?? 'http://127.0.0.1:4101';
config.server.enhanceMiddleware = (metro) => (req, res, next) => {
  // As the server sends them: what reads pictures shares memory between its workers.
  res.setHeader('Cross-Origin-Opener-Policy', 'same-origin');
  res.setHeader('Cross-Origin-Embedder-Policy', 'require-corp');
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

// The part several later parts share comes with the first of them, not with the first view.
config.transformer.asyncRequireModulePath = path.join(__dirname, 'src/ui/bundle/asyncRequire.js');

// A module runs when it is first used, not when the page starts: most of the start on a slow phone was modules the first
// view never touches.
config.transformer.getTransformOptions = async () => ({
  transform: { experimentalImportSupport: true, inlineRequires: true },
});

// The build notes which packages its scripts hold: THIRD-PARTY.md is made from it (scripts/documents/thirdParty.ts).
const PACKAGES = process.env.JAUGE_BUNDLED_PACKAGES;
if (PACKAGES) {
  const noted = new Set();
  const keepsAll = config.serializer.processModuleFilter ?? (() => true);
  config.serializer.processModuleFilter = (module) => {
    const kept = keepsAll(module);
    const inside = kept && /.*[\\/]node_modules[\\/]((?:@[^\\/]+[\\/])?[^\\/]+)[\\/]/.exec(module.path);
    if (inside && !noted.has(inside[0])) {
      noted.add(inside[0]);
      fs.appendFileSync(PACKAGES, `${path.relative(__dirname, inside[0]).split(path.sep).join('/')}\n`);
    }
    return kept;
  };
}

module.exports = config;
