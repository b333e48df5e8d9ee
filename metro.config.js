const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);

/** Files of a package that the browser bundle does without, and what stands in for each (decision 28). */
const STAND_INS = {
  zod: [
    [/locales\/index\.(js|cjs)$/, 'zodLocales.js'],
    [
      /\/(compile|from-json-schema|to-json-schema|json-schema-processors|json-schema-generator)\.js$/,
      'zodUnused.js',
    ],
  ],
  // Metro takes a package whole; of these the app uses linear scales, lines, areas and one kind of id.
  'd3-scale': [
    [/^d3-time(-format)?$/, 'unused.js'],
    [
      /^\.\/(diverging|identity|log|pow|quantile|quantize|radial|sequential|sequentialQuantile|symlog|threshold|time|utcTime)\.js$/,
      'unused.js',
    ],
  ],
  'd3-array': [
    [
      /^\.\/(blur|count|cross|cumsum|deviation|fsum|group|groupSort|bin|threshold\/\w+|maxIndex|mean|median|merge|minIndex|mode|pairs|permute|quantile|quickselect|greatest|greatestIndex|least|leastIndex|rank|scan|shuffle|sum|transpose|variance|zip|every|some|filter|map|reduce|reverse|sort|difference|disjoint|intersection|subset|superset|union)\.js$/,
      'unused.js',
    ],
  ],
  // Scales interpolate numbers; colours come from the stylesheet.
  'd3-interpolate': [
    [/^d3-color$/, 'unused.js'],
    [
      /^\.\/(zoom|transform\/index|hsl|lab|hcl|cubehelix|piecewise|quantize|discrete|hue|basis|basisClosed)\.js$/,
      'unused.js',
    ],
  ],
  'd3-shape': [
    [
      /^\.\/(symbol|order|offset|curve\/(?!linear)|(stack|arc|pie|link|areaRadial|lineRadial)\.js)/,
      'unused.js',
    ],
  ],
  uuid: [[/^\.\/(v1|v3|v35|v5|v6|v1ToV6|v6ToV1|md5|sha1)\.js$/, 'unused.js']],
  // Drawings are made of its elements, never of XML, and their transforms are texts a browser reads.
  'react-native-svg': [
    [/^\.\/(xml|deprecated|utils\/fetchData)$/, 'unused.js'],
    [/^\.\/(transform|transformToRn)$/, 'unused.js'],
  ],
  // The router asks for the package whole; our own screens name the files they use.
  'react-native-web': [
    [
      /^\.\/exports\/(AccessibilityInfo|Alert|Animated|AssetRegistry|BackHandler|Button|CheckBox|Clipboard|Easing|FlatList|ImageBackground|InputAccessoryView|InteractionManager|Keyboard|KeyboardAvoidingView|LayoutAnimation|LogBox|Modal|NativeEventEmitter|PanResponder|Picker|ProgressBar|RefreshControl|SectionList|Share|StatusBar|Switch|TextInput|Touchable|TouchableHighlight|TouchableNativeFeedback|TouchableOpacity|TouchableWithoutFeedback|Vibration|VirtualizedList|YellowBox)$/,
      'unused.js',
    ],
  ],
  'expo-router': [
    [/\/layouts\/(Tabs|Stack|experimental-stack)$/, 'routerUnused.js'],
    [/\/react-navigation\/bottom-tabs$/, 'routerUnused.js'],
    // A Slot asks the router of stacks alone.
    [/^\.\/(TabRouter|DrawerRouter)$/, 'unused.js'],
    [/\/native-stack\/createNativeStackNavigator$/, 'routerUnused.js'],
    [/\/stack-utils$/, 'routerUnused.js'],
    // Said while it bundles for a developer, and of a route file without a screen.
    [/\/Toast$/, 'routerUnused.js'],
    [/\/(Sitemap|LinkWithPreview)$/, 'routerUnused.js'],
    // Titles are set by our own shell, so that a library for the head has nothing to do.
    [/\/ExpoHead$/, 'routerHead.js'],
    // Flags of native screens, whose package brings animations and lists along.
    [/\/screensFeatureFlags$/, 'routerUnused.js'],
  ],
};

config.transformer.minifierPath = path.join(__dirname, 'scripts', 'bundle', 'minify.js');
// Short names of what each module is given are the minifier's business; by Babel they took a fifth of a build.
config.transformer.unstable_disableNormalizePseudoGlobals = true;

const packageOf = (file) =>
  Object.keys(STAND_INS).find((name) =>
    file.includes(`${path.sep}node_modules${path.sep}${name}${path.sep}`),
  );

config.resolver.resolveRequest = (context, moduleName, platform) => {
  const from = packageOf(context.originModulePath);
  const found = from && STAND_INS[from].find(([pattern]) => pattern.test(moduleName));
  if (found) {
    return { type: 'sourceFile', filePath: path.join(__dirname, 'scripts', 'bundle', found[1]) };
  }
  return context.resolveRequest(context, moduleName, platform);
};

module.exports = config;
