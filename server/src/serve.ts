import { createServer, type Server } from 'node:http';
import type { Express } from 'express';

/** Who sends no request, or no end of one, does not hold a connection for ever. Milliseconds. */
export const LIMITS = {
  headersTimeout: 10_000,
  requestTimeout: 30_000,
  keepAliveTimeout: 5_000,
  /** how often the two are looked at: they hold to within this */
  connectionsCheckingInterval: 1_000,
} as const;

/** A server for the application that holds to these limits. */
export function serve(app: Express, limits: { readonly [name in keyof typeof LIMITS]: number } = LIMITS): Server {
  return createServer(limits, app);
}
