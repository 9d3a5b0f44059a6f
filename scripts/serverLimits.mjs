/*
 * Loaded before the server: it ends when whoever started it is gone, does not wait for ever for a request that trickles in, and
 * turns away addresses that cannot be read.
 */
import http from 'node:http';

if (process.channel) {
  process.on('disconnect', () => process.exit(1));
  // The channel alone does not keep the server alive.
  process.channel.unref();
}

/**
 * A request has so long to be told, ms: its headers, and all of it, such as a large backup from a slow disk; looked after so often.
 * Other devices have a minute: the door sees to that.
 */
const LIMITS = { headersTimeout: 10_000, requestTimeout: 3_600_000, connectionsCheckingInterval: 5000 };

/** Whether what is escaped in an address can be taken back: what cannot would fail before anything of ours is asked. */
function canBeRead(address) {
  try {
    return decodeURIComponent(address.split('?')[0]).length > 0;
  } catch {
    return false;
  }
}

/** What is asked for here; the framework fails at others. */
const METHODS = ['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS'];

function refusalOf({ url, method }) {
  if (!METHODS.includes(method)) return { status: 405, says: `${method} is not asked for here.` };
  return canBeRead(url) ? null : { status: 400, says: 'This address cannot be read.' };
}

const createServer = http.createServer;
http.createServer = (...given) => {
  const server =
    typeof given[0] === 'function' || given.length === 0
      ? createServer(LIMITS, ...given)
      : createServer({ ...given[0], ...LIMITS }, ...given.slice(1));
  const emit = server.emit.bind(server);
  server.emit = (event, request, response, ...more) => {
    // Whoever started it waits for this: another program may answer on the port.
    if (event === 'listening') process.send?.('listening');
    const refusal = event === 'request' ? refusalOf(request) : null;
    if (!refusal) return emit(event, request, response, ...more);
    response.writeHead(refusal.status, { 'content-type': 'text/plain; charset=utf-8', 'x-content-type-options': 'nosniff' });
    response.end(refusal.says);
    return true;
  };
  return server;
};
