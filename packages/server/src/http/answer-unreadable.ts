import type { Duplex } from 'node:stream';
import type { ApiFault } from '@endrel/core/contract/api';

const said: Readonly<Record<string, [line: string, message: string]>> = {
  HPE_HEADER_OVERFLOW: ['431 Request Header Fields Too Large', 'The request’s headers are too large.'],
  HPE_INVALID_METHOD: ['405 Method Not Allowed', 'There is no such method.'],
  ERR_HTTP_REQUEST_TIMEOUT: ['408 Request Timeout', 'The request took too long to arrive.'],
};

/** Answers in words what is no HTTP that Node can read, and so never becomes a request. */
export function answerUnreadable(error: Error & { code?: string }, socket: Duplex): void {
  if (!socket.writable || error.code === 'ECONNRESET') {
    socket.destroy();
    return;
  }
  const [line, message] = said[error.code ?? ''] ?? ['400 Bad Request', 'The request could not be read.'];
  const body = JSON.stringify({ code: 'invalid', message } satisfies ApiFault);
  socket.end(
    `HTTP/1.1 ${line}\r\nContent-Type: application/json; charset=utf-8\r\nContent-Length: ${Buffer.byteLength(body)}\r\n` +
      `Cache-Control: no-store\r\nConnection: close\r\n\r\n${body}`,
  );
}
