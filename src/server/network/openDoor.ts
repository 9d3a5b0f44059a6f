/* Opens and closes the door of this process as the workshop has it: it listens only while it was said that it should. */
import { readFileSync } from 'node:fs';
import { type Server, createServer } from 'node:http';
import { createServer as createSecureServer } from 'node:https';
import { readNetwork, type StoredNetwork } from '@/db/network';
import type { Workshop } from '../workshop';
import { gateway } from './gateway';
import { isInHouse, plainAddress } from './houseAddresses';

interface Opened {
  server: Server;
  /** What it was opened by: opened anew when that changes. */
  by: string;
}

const held = globalThis as { keenBattenDoor?: Opened | null };

/** So long may a request be told, ms: as the application itself asks. */
const LIMITS = { headersTimeout: 10_000, requestTimeout: 60_000, connectionsCheckingInterval: 5000 };

const byOf = ({ port, certFile, keyFile }: StoredNetwork): string => JSON.stringify([port, certFile, keyFile]);

export const isDoorOpen = (): boolean => (held.keenBattenDoor ?? null) !== null;

/**
 * Brings the door to what the workshop has it be.
 *
 * @returns why it could not be opened, as a sentence, or null
 */
export async function tendDoor(workshop: Workshop): Promise<string | null> {
  const network = readNetwork(workshop.database);
  const by = network?.open ? byOf(network) : null;
  if ((held.keenBattenDoor?.by ?? null) === by) return null;
  if (held.keenBattenDoor) {
    const { server } = held.keenBattenDoor;
    held.keenBattenDoor = null;
    server.close();
    server.closeAllConnections();
  }
  if (!network?.open) return null;
  return open(workshop, network);
}

async function open(workshop: Workshop, network: StoredNetwork): Promise<string | null> {
  const secure = network.certFile !== '';
  const appPort = Number(process.env.PORT ?? 3000);
  const listener = gateway({ workshop, appPort, secure });
  let server: Server;
  try {
    server = secure
      ? createSecureServer({ ...LIMITS, cert: readFileSync(network.certFile), key: readFileSync(network.keyFile) }, listener)
      : createServer(LIMITS, listener);
  } catch (error) {
    return `The certificate cannot be used: ${certificateWords(error)}`;
  }
  server.on('connection', (socket) => {
    if (!isInHouse(plainAddress(socket.remoteAddress))) socket.destroy();
  });
  return await new Promise((told) => {
    server.once('error', (error: NodeJS.ErrnoException) =>
      told(
        error.code === 'EADDRINUSE'
          ? `Port ${network.port} is taken by another program: choose another one.`
          : error.code === 'EACCES'
            ? `Port ${network.port} is kept by the system: choose one from 1024 on.`
            : `Port ${network.port} cannot be opened (${error.code ?? error.message}).`,
      ),
    );
    server.listen(network.port, () => {
      held.keenBattenDoor = { server, by: byOf(network) };
      server.on('error', (error) => console.error('The door of the house:', error));
      told(null);
    });
  });
}

function certificateWords(error: unknown): string {
  const { code, path } = error as NodeJS.ErrnoException;
  if (code === 'ENOENT') return `there is no file ${path ?? ''}.`;
  if (code === 'EACCES') return `${path ?? 'a file'} may not be read by this program.`;
  if (code === 'ERR_OSSL_X509_KEY_VALUES_MISMATCH') return 'the key belongs to another certificate.';
  return 'the files are no certificate and key in PEM form.';
}
