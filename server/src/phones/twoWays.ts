import type { Server as HttpServer } from 'node:http';
import type { Server as SecureServer } from 'node:https';
import { createServer as createListener, type Server, type Socket } from 'node:net';
import { patient } from '../http/patience.ts';

/** What a connection that speaks TLS begins with. @source RFC 8446 §5.1: handshake(22) */
const HANDSHAKE = 22;
/** Whoever opens a connection begins to speak within this. */
const SILENCE_MS = 10_000;

/** One port for HTTPS and, for whoever does not trust its certificate yet, for plain HTTP. */
export function twoWays(
  secure: SecureServer,
  plain: HttpServer,
): { listener: Server; letGo: () => void } {
  const sockets = new Set<Socket>();
  patient(secure);
  patient(plain);
  const listener = createListener((socket) => {
    sockets.add(socket);
    socket.once('close', () => sockets.delete(socket));
    socket.on('error', () => socket.destroy());
    socket.setTimeout(SILENCE_MS, () => socket.destroy());
    socket.once('data', (first) => {
      // Whoever it is for reads it from the beginning.
      socket.setTimeout(0);
      socket.pause();
      socket.unshift(first);
      (first[0] === HANDSHAKE ? secure : plain).emit('connection', socket);
      process.nextTick(() => socket.resume());
    });
  });
  const letGo = () => {
    for (const socket of sockets) socket.destroy();
  };
  return { listener, letGo };
}
