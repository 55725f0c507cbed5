import compression from 'compression';
import express, { type Express } from 'express';
import staticGzip from 'express-static-gzip';
import helmet from 'helmet';

const YEAR_S = 31_536_000;
/** The build has a brotli copy of each text file; whatever has none, or who can't read it, gets it compressed as it goes. */
const MADE_SMALL = { enableBrotli: true, orderPreference: ['br' as const] };
/** Hash of the empty style element that the styling library inserts before it writes rules by script. */
const EMPTY_STYLE = "'sha256-47DEQpj8HBSa+/TImW+5JCeuQeRkm5NMpJWZG3hSuFU='";
/** An address that names a file: where there is none, the page is no answer. */
const FILE = /\.[a-z0-9]{1,12}$/i;
/** The one style sheet that the notation package puts into each part that it draws; always the same text. */
const NOTATION_STYLE = "'sha256-BCpnf71gZdCsSCHDzyB1RsBbZ0qQdqseK6v+yJsgg30='";

/**
 * The application that serves the built files. No user data comes here: it only hands files out, with headers that
 * isolate the page, forbid foreign code and let hashed files be kept for a year.
 * @param root folder of the built files
 */
export function createApp(root: string): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'none'"],
          scriptSrc: ["'self'"],
          workerSrc: ["'self'"],
          connectSrc: ["'self'"],
          manifestSrc: ["'self'"],
          styleSrc: ["'self'", EMPTY_STYLE, NOTATION_STYLE],
          imgSrc: ["'self'", 'data:', 'blob:'],
          mediaSrc: ["'self'", 'blob:'],
          fontSrc: ["'self'"],
          baseUri: ["'none'"],
          objectSrc: ["'none'"],
          formAction: ["'none'"],
          frameAncestors: ["'none'"],
        },
      },
      crossOriginEmbedderPolicy: { policy: 'require-corp' },
      strictTransportSecurity: false, // served over plain http on the player's own machine as well
    }),
  );
  app.use((_request, response, next) => {
    response.setHeader('Permissions-Policy', 'microphone=(self), camera=(), geolocation=()');
    next();
  });
  app.get('/healthz', (_request, response) => {
    response.type('text').send('ok');
  });
  app.use(compression());
  // The small copies are for who asks for the file itself.
  app.get(/\.(br|gz)$/, (_request, response) => void response.sendStatus(404));
  const assets = { immutable: true, maxAge: YEAR_S * 1000, fallthrough: false };
  app.use('/assets', staticGzip(`${root}/assets`, { ...MADE_SMALL, index: false, serveStatic: assets }));
  app.use(staticGzip(root, { ...MADE_SMALL, index: 'index.html', serveStatic: { cacheControl: true, maxAge: 0 } }));
  app.use((request, response, next) => {
    if (!['GET', 'HEAD'].includes(request.method) || !request.accepts('html') || FILE.test(request.path)) return next();
    response.setHeader('Cache-Control', 'no-cache');
    response.sendFile('index.html', { root });
  });
  return app;
}
