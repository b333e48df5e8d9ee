// The service worker of a build: every file it names is kept with all the others, or not at all.
import path from 'node:path';

/** No file of the app is nearly so large; a larger one would silently be left out otherwise. */
const MOST_BYTES = 8_000_000;

/**
 * Writes sw.js into a build, which then opens with no network after one visit. A newer one waits
 * until it is asked for, so a page never runs on files of two builds.
 * @param {string} folder the export
 * @returns {Promise<number>} how many files are kept
 */
export async function writeServiceWorker(folder) {
  // Loaded here: scripts that only install packages run before it is there.
  const { generateSW } = await import('workbox-build');
  const { count, warnings } = await generateSW({
    mode: 'production',
    globDirectory: folder,
    globPatterns: ['**/*.{html,js,css,svg,png,webmanifest,woff2,ttf}'],
    globIgnores: ['sw.js', 'sw-anew.js', '**/*.map'],
    importScripts: ['/sw-anew.js'],
    swDest: path.join(folder, 'sw.js'),
    inlineWorkboxRuntime: true,
    sourcemap: false,
    skipWaiting: false,
    clientsClaim: false,
    cleanupOutdatedCaches: true,
    dontCacheBustURLsMatching: /[.-][0-9a-f]{32}\.\w+$/,
    maximumFileSizeToCacheInBytes: MOST_BYTES,
    navigateFallback: '/index.html',
    // Instruments have pages of their own, which the server alone can answer.
    navigateFallbackDenylist: [/\/[^/?]+\.[^/]+$/, /^\/instruments\/v\d+\//],
  });
  if (warnings.length > 0) throw new Error(`The service worker: ${warnings.join(' ')}`);
  return count;
}
