/*
 * Loaded into a server of the browser tests beside the application, which has no way to be asked for this itself: another file is
 * laid in the place of its workshop’s, and its clock is set, between one test and the next.
 */
import http from 'node:http';
import { clearWorkshop, copyWorkshop } from './workshopFile.mjs';

/** Requests under way: what the last test still asked is answered before its workshop goes. */
let underWay = 0;
const emit = http.Server.prototype.emit;
http.Server.prototype.emit = function (event, request, response, ...more) {
  if (event === 'request') {
    underWay += 1;
    response.once('close', () => (underWay -= 1));
  }
  return emit.call(this, event, request, response, ...more);
};

/** Waits for what was asked; a stream of news ends with its page. */
async function answered() {
  for (let turn = 0; turn < 500 && underWay > 0; turn += 1) await new Promise((on) => setTimeout(on, 10));
}

process.on('message', async ({ putBack }) => {
  const { from, now, url } = putBack;
  await answered();
  const database = process.env.KEEN_BATTEN_DB;
  clearWorkshop(database);
  copyWorkshop(from, database);
  process.env.KEEN_BATTEN_NOW = now;
  globalThis.keenBattenWorkshop = undefined;
  globalThis.keenBattenPractice = undefined;
  const { ok } = await fetch(`${url}/api/clocks`);
  process.send({ ready: ok });
});
