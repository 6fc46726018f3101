import { existsSync } from 'node:fs';
import express, { type Express } from 'express';
import compressedFiles from 'express-static-gzip';
import { rateLimit } from 'express-rate-limit';
import helmet from 'helmet';
import { NotFoundError } from './errors.ts';
import { only } from './http/only.ts';
import { allowedHosts, isLoopback } from './http/allowed-hosts.ts';
import { compressedAnswers } from './http/compressed-answers.ts';
import { errorHandler } from './http/error-handler.ts';
import { attachmentRoutes } from './http/attachment-routes.ts';
import { readableAddress } from './http/readable-address.ts';
import { feedRoutes } from './http/feed-routes.ts';
import { jobRoutes } from './http/job-routes.ts';
import { sameOrigin } from './http/same-origin.ts';
import { printRoutes } from './http/print-routes.ts';
import { pumpRoutes } from './http/pump-routes.ts';
import { benderRoutes } from './http/bender-routes.ts';
import { shelfRoutes } from './http/shelf-routes.ts';
import type { Printer } from './printing/printer.ts';
import type { ChangeFeed } from './repositories/change-feed.ts';
import type { PumpRepository } from './repositories/pump-repository.ts';
import type { BenderRepository } from './repositories/bender-repository.ts';
import type { ShelfRepository } from './repositories/shelf-repository.ts';
import type { AttachmentService } from './services/attachment-service.ts';
import type { Health } from './services/health.ts';
import type { Acting, JobService } from './services/job-service.ts';

export interface AppParts {
  readonly jobs: JobService;
  readonly attachments: AttachmentService;
  readonly feed: ChangeFeed;
  readonly health: Health;
  readonly printer: Printer;
  readonly pumps: PumpRepository;
  readonly shelf: ShelfRepository;
  readonly benders: BenderRepository;
  readonly shop: { readonly id: string; readonly name: string };
  /** Folder of the built web application; without it only the API is served. */
  readonly webRoot?: string;
  readonly boundTo: string;
  /** Under which it may be asked for besides its own addresses. */
  readonly names?: readonly string[];
  /** From one address; a measurement may ask more. */
  readonly requestsPerMinute?: number;
}

// a fitter typing makes a few a second; a first visit fetches some 150 files to keep, and a few tablets may share an address
const REQUESTS_PER_MINUTE = 4000;

/** The HTTP application: API under /api, the web application everywhere else. */
export function createApp(parts: AppParts): Express {
  const { jobs, attachments, feed, health, printer, pumps, shelf, benders, shop, webRoot, boundTo, names = [] } = parts;
  const app = express();
  app.disable('x-powered-by');
  app.disable('etag'); // answers are not kept by anyone
  app.use(allowedHosts(boundTo, names)); // before all else: what is refused so counts against nobody
  app.use(sameOrigin);
  app.use(
    rateLimit({
      windowMs: 60_000,
      limit: parts.requestsPerMinute ?? REQUESTS_PER_MINUTE,
      standardHeaders: 'draft-8',
      legacyHeaders: false,
      message: { code: 'tooMany', message: 'Too many requests in a minute: wait a little.' },
    }),
  );
  const headers = (isTrusted: boolean) =>
    helmet({
      contentSecurityPolicy: {
        directives: {
          fontSrc: ["'self'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          workerSrc: ["'self'"],
          upgradeInsecureRequests: null,
        },
      },
      strictTransportSecurity: false, // plain http on loopback
      // over plain http from another machine a browser sets these two aside, and complains
      crossOriginOpenerPolicy: isTrusted,
      originAgentCluster: isTrusted,
    });
  const [trusted, plain] = [headers(true), headers(false)];
  app.use((req, res, next) => (req.secure || isLoopback(req.hostname) ? trusted : plain)(req, res, next));

  app.use(readableAddress);

  const acting = (): Acting => ({ shop: shop.id, actor: 'the bench' });
  const api = express.Router();
  api.use(compressedAnswers());
  api.use((_req, res, next) => {
    res.set('Cache-Control', 'no-store');
    next();
  });
  api
    .route('/alive')
    .get((_req, res) => void res.json({ isAlive: true }))
    .all(only('GET'));
  api
    .route('/health')
    .get(async (_req, res) => {
      const answer = await health.check();
      res.status(answer.isReady ? 200 : 503).json(answer);
    })
    .all(only('GET'));
  api
    .route('/shop')
    .get((_req, res) => void res.json({ name: shop.name }))
    .all(only('GET'));
  api.use('/jobs', jobRoutes(jobs, acting));
  api.use('/feed', feedRoutes(feed, acting));
  api.use('/attachments', attachmentRoutes(attachments, acting));
  api.use('/pumps', pumpRoutes(pumps, acting));
  api.use('/shelf', shelfRoutes(shelf, acting));
  api.use('/benders', benderRoutes(benders, acting));
  api.use('/print', printRoutes(printer));
  api.use(() => {
    throw new NotFoundError('address');
  });
  app.use('/api', api);

  if (webRoot && existsSync(webRoot)) {
    // files that the build compressed go out so
    const files = (maxAge: string) => ({
      enableBrotli: true,
      orderPreference: ['br', 'gz'],
      index: false,
      serveStatic: { index: false as const, maxAge, immutable: maxAge !== '0' },
    });
    app.use('/assets', compressedFiles(`${webRoot}/assets`, files('1y')));
    app.use(compressedFiles(webRoot, files('0')));
    app.get('/{*splat}', (req, res, next) => {
      // an address of the application has no ending; a file that is not there is not the application
      if (/\.[^/]*$/.test(req.path) || req.path.startsWith('/assets/')) next();
      else res.sendFile('index.html', { root: webRoot, headers: { 'Cache-Control': 'no-cache' } });
    });
  }
  app.use((req, res, next) => {
    if (req.method === 'GET' || req.method === 'HEAD') throw new NotFoundError('file or address');
    only('GET')(req, res, next);
  });
  app.use(errorHandler(health));
  return app;
}
