// Thousands of light calls at once, from a process of their own: who measures must not be busy with sending. Begun by `server.mjs`
// with the server's address and how many; prints how many had which status.
import { Agent, request } from 'node:http';

const [address, many] = process.argv.slice(2);
const agent = new Agent({ keepAlive: false, maxSockets: Number.POSITIVE_INFINITY });
const label = JSON.stringify({ text: '128GB SDXC II V60' });

const call = (path, body) =>
  new Promise((done) => {
    const headers = { 'Content-Type': 'application/json' };
    const sent = request(address + path, { method: body === null ? 'GET' : 'POST', agent, headers }, (response) => {
      response.resume();
      response.on('end', () => done(response.statusCode));
    });
    sent.on('error', ({ code }) => done(code));
    sent.end(body ?? undefined);
  });

const all = await Promise.all(
  Array.from({ length: Number(many) }, (_, at) =>
    at % 2 ? call('/api/label', label) : call('/api/answer?q=400%20Mb/s%20on%20V90', null),
  ),
);
const names = [...new Set(all.map(String))].sort();
console.log(names.map((name) => `${name}: ${all.filter((one) => String(one) === name).length}`).join(', '));
