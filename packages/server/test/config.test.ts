import { networkInterfaces } from 'node:os';
import { expect } from 'chai';
import type { NextFunction, Request, Response } from 'express';
import { readConfig } from '../src/config.ts';
import { InvalidError, NotFoundError } from '../src/errors.ts';
import { allowedHosts } from '../src/http/allowed-hosts.ts';
import { errorHandler } from '../src/http/error-handler.ts';
import { sameOrigin } from '../src/http/same-origin.ts';

const database = { DATABASE_URL: 'postgres://x' };

describe('the server’s configuration', () => {
  it('binds to loopback on port 8400 unless told otherwise', () => {
    expect(readConfig(database)).to.deep.equal({
      databaseUrl: 'postgres://x',
      port: 8400,
      host: '127.0.0.1',
      names: [],
      loadDemo: false,
      stopWithInput: false,
      logLevel: 'warn',
    });
    expect(readConfig({ ...database, ENDREL_PORT: '0', ENDREL_DEMO: 'yes' })).to.include({ port: 0, loadDemo: true });
  });
  it('names the variable that is missing or wrong', () => {
    expect(() => readConfig({})).to.throw(/^DATABASE_URL/);
    expect(() => readConfig({ ...database, ENDREL_PORT: 'ninety' })).to.throw(/^ENDREL_PORT/);
    expect(() => readConfig({ ...database, ENDREL_LOG: 'loud' })).to.throw(/^ENDREL_LOG/);
    expect(() => readConfig({ ...database, ENDREL_NAMES: 'http://bench/' })).to.throw(/^ENDREL_NAMES/);
    expect(() => readConfig({ ...database, ENDREL_TLS_CERT: 'a.pem' })).to.throw(/^ENDREL_TLS_CERT and ENDREL_TLS_KEY/);
  });
});

/** Enough of a response to see what was answered. */
function answerOf(handle: (res: Response, next: NextFunction) => void) {
  const seen: { status?: number; body?: unknown; passedOn: boolean } = { passedOn: false };
  const res = {
    headersSent: false,
    status(code: number) {
      seen.status = code;
      return res;
    },
    type() {
      return res;
    },
    set() {
      return res;
    },
    json(body: unknown) {
      seen.body = body;
      return res;
    },
  };
  handle(res as unknown as Response, () => (seen.passedOn = true));
  return seen;
}

describe('the error handler', () => {
  const logged: unknown[] = [];
  const missed: unknown[] = [];
  const handle = errorHandler({ failed: (error) => logged.push(error), missed: (error) => missed.push(error) });
  const answer = (error: unknown, method = 'POST') =>
    answerOf((res, next) => void handle(error, { method } as Request, res, next));
  it('tells what the client can mend', () => {
    expect(answer(new NotFoundError('job'))).to.deep.include({
      status: 404,
      body: { code: 'notFound', message: 'There is no such job.' },
    });
    expect(answer(new InvalidError('No.', [{ field: 'name', message: 'is empty' }]))).to.deep.include({
      status: 400,
      body: { code: 'invalid', message: 'No.', issues: [{ field: 'name', message: 'is empty' }] },
    });
    expect(answer(Object.assign(new Error('big'), { type: 'entity.too.large', status: 413 })).status).to.equal(413);
  });
  it('keeps the details of anything unexpected in the log', () => {
    const seen = answer(new Error('connection string postgres://secret@host'));
    expect(seen.status).to.equal(500);
    expect(JSON.stringify(seen.body)).to.not.include('secret');
    expect(logged).to.have.length(1);
  });
});

describe('what is said of a failure', () => {
  const handle = errorHandler({ failed: () => undefined, missed: () => undefined });
  const answer = (error: unknown, method: string) =>
    answerOf((res, next) => void handle(error, { method } as Request, res, next));
  const failures: [what: string, error: Error, status: number][] = [
    ['a fault of ours', new TypeError('x of undefined'), 500],
    ['a connection that broke', new Error('Connection terminated unexpectedly'), 503],
    ['a database that is being stopped', Object.assign(new Error('terminating connection'), { code: '57P01' }), 503],
    ['a database that is still starting', Object.assign(new Error('starting up'), { code: '57P03' }), 503],
    ['nobody at its port', Object.assign(new Error('connect'), { code: 'ECONNREFUSED' }), 503],
    ['no connection free', Object.assign(new Error('Timeout'), { name: 'KnexTimeoutError' }), 503],
  ];
  for (const [what, error, status] of failures)
    it(`${what}: “nothing was changed” only where that is known`, () => {
      const asked = answer(error, 'GET');
      const sent = answer(error, 'POST');
      expect([asked.status, sent.status]).to.deep.equal([status, status]);
      expect(JSON.stringify(asked.body)).to.include('Nothing was changed');
      expect(JSON.stringify(sent.body)).to.include('not known');
      expect(JSON.stringify(sent.body)).to.not.include('Nothing was changed');
    });
});

describe('the names of a server', () => {
  const ask = (boundTo: string, host: string | undefined, names: readonly string[] = []) =>
    answerOf((res, next) => void allowedHosts(boundTo, names)({ headers: { host } } as Request, res, next));
  it('answers under its loopback names only', () => {
    for (const host of ['127.0.0.1:8400', 'localhost:8400', '[::1]:8400', 'LOCALHOST'])
      expect(ask('127.0.0.1', host).passedOn, host).to.equal(true);
    for (const host of ['evil.example', 'localhost.evil.example', undefined, '127.0.0.1.evil.example:80'])
      expect(ask('127.0.0.1', host).status, host).to.equal(421);
  });
  it('are, once it listens elsewhere, the machine’s own addresses and those that are listed', () => {
    expect(readConfig({ ...database, ENDREL_NAMES: 'bench.workshop, Van.local' }).names).to.deep.equal([
      'bench.workshop',
      'Van.local',
    ]);
    const names = ['bench.workshop'];
    const own = Object.values(networkInterfaces()).flatMap((all) => (all ?? []).filter((a) => a.family === 'IPv4'));
    for (const host of ['bench.workshop:8400', 'BENCH.workshop', 'localhost:1', ...own.map((a) => `${a.address}:8400`)])
      expect(ask('0.0.0.0', host, names).passedOn, host).to.equal(true);
    for (const host of ['evil.example', 'bench.workshop.evil.example', '203.0.113.9:8400', undefined])
      expect(ask('0.0.0.0', host, names).status, host).to.equal(421);
  });
});

describe('a page of another site', () => {
  const ask = (method: string, headers: Record<string, string>) =>
    answerOf(
      (res, next) =>
        void sameOrigin(
          { method, headers: { host: 'bench.workshop:8400', ...headers } } as unknown as Request,
          res,
          next,
        ),
    );
  it('changes nothing, whatever it sends', () => {
    for (const method of ['POST', 'PUT', 'DELETE', 'PATCH'])
      for (const headers of [
        { origin: 'http://evil.example' },
        { origin: 'null' },
        { origin: 'http://bench.workshop' },
        { 'sec-fetch-site': 'cross-site' },
      ] as Record<string, string>[])
        expect(ask(method, headers).status, `${method} ${JSON.stringify(headers)}`).to.equal(403);
    for (const origin of ['http://bench.workshop:8400', 'https://bench.workshop:8400'])
      expect(ask('POST', { origin }).passedOn, origin).to.equal(true);
    expect(ask('POST', {}).passedOn, 'a program').to.equal(true);
    expect(ask('GET', { origin: 'http://evil.example' }).passedOn).to.equal(true);
  });
});
