import { expect } from 'chai';
import { ApiError, call, callFile, callText, isAway, OfflineError } from './client.ts';

describe('a call to the server', () => {
  const before = globalThis.fetch;
  let asked: { url: string; init: RequestInit } | undefined;
  const answering = (answer: Response | Error) => {
    globalThis.fetch = ((url: string, init: RequestInit) => {
      asked = { url, init };
      return answer instanceof Error ? Promise.reject(answer) : Promise.resolve(answer);
    }) as typeof fetch;
  };
  const faultOf = (asking: Promise<unknown>) =>
    asking.then(
      () => undefined,
      (fault: unknown) => fault,
    );
  after(() => (globalThis.fetch = before));

  it('sends JSON below /api and reads the answer; text and files as they are', async () => {
    answering(new Response('{"jobs":[]}'));
    expect(await call('POST', '/jobs', { name: 'Van' })).to.deep.equal({ jobs: [] });
    expect([asked!.url, asked!.init.method, asked!.init.body]).to.deep.equal(['/api/jobs', 'POST', '{"name":"Van"}']);
    expect(asked!.init.headers).to.deep.equal({ 'Content-Type': 'application/json' });
    answering(new Response('packed'));
    expect(await callText('GET', '/attachments/x')).to.equal('packed');
    expect(asked!.init.headers, 'nothing is sent').to.deep.equal({});
    answering(new Response('%PDF-'));
    expect(await (await callFile('POST', '/print/sheets', {})).text()).to.equal('%PDF-');
  });
  it('says what the server says is wrong; what is no fault of ours as what it is', async () => {
    answering(new Response('{"code":"notFound","message":"There is no such job."}', { status: 404 }));
    const missing = (await faultOf(call('GET', '/jobs/x'))) as ApiError;
    expect([missing.status, missing.message, missing.fault.code]).to.deep.equal([
      404,
      'There is no such job.',
      'notFound',
    ]);
    answering(new Response('<html>', { status: 502 }));
    const proxy = (await faultOf(call('GET', '/jobs/x'))) as ApiError;
    expect([proxy.status, proxy.fault]).to.deep.equal([502, { code: 'internal', message: 'The server answered 502.' }]);
    answering(new TypeError('Failed to fetch'));
    expect(await faultOf(call('GET', '/jobs'))).to.be.instanceOf(OfflineError);
  });
  it('may be tried again where the server is away, not where it refused', () => {
    const answered = (status: number) => new ApiError(status, { code: 'invalid', message: '' });
    for (const away of [new OfflineError(), answered(500), answered(503), answered(429)])
      expect(isAway(away)).to.equal(true);
    for (const refused of [answered(499), answered(400), answered(409), new Error('x'), undefined])
      expect(isAway(refused)).to.equal(false);
  });
});
