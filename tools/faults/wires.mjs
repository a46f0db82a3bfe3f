// What lies between: a wire to the database that can be cut at any step, a wire to the server that
// loses answers, and a store for photos that fills up.
import { Buffer } from 'node:buffer';
import { createServer, request } from 'node:http';
import { connect, createServer as createWire } from 'node:net';

const listen = (server) =>
  new Promise((done) => server.listen(0, '127.0.0.1', () => done(server.address().port)));

/**
 * A wire between servers and their database. `cutNext(n)`: the next connection is cut after the
 * database has said n things to it; `cutAll()`: every connection there is.
 */
export async function databaseWire(port) {
  const pairs = new Set();
  let cutAfter;
  const wire = createWire((near) => {
    const far = connect(port, '127.0.0.1');
    const pair = { near, far };
    pairs.add(pair);
    const mine = cutAfter;
    cutAfter = undefined;
    let said = 0;
    const end = () => {
      pairs.delete(pair);
      near.destroy();
      far.destroy();
    };
    far.on('data', (chunk) => {
      if (mine !== undefined && said >= mine) return end();
      said += 1;
      near.write(chunk);
    });
    near.on('data', (chunk) => far.write(chunk));
    for (const one of [near, far]) {
      one.on('error', end);
      one.on('close', end);
      one.setNoDelay(true);
    }
    if (mine === 0) end();
  });
  return {
    port: await listen(wire),
    cutNext: (things) => {
      cutAfter = things;
      // a pool that is full opens no new one: the oldest goes first
      const [oldest] = pairs;
      oldest?.near.destroy();
    },
    cutAll: () => [...pairs].forEach(({ near }) => near.destroy()),
    // whoever still tries to come through is not waited for
    end: () => {
      cutAfter = 0;
      wire.close();
      [...pairs].forEach(({ near }) => near.destroy());
    },
  };
}

/** A wire to the server that loses the answers of requests that were worked off. */
export async function answerWire(target) {
  let lose = 0;
  let lost = 0;
  const wire = createServer((req, res) => {
    const out = request(
      `${target}${req.url}`,
      { method: req.method, headers: req.headers },
      (answer) => {
        if (lose > 0 && req.method !== 'GET') {
          lose -= 1;
          lost += 1;
          answer.resume();
          answer.once('end', () => res.destroy());
          return;
        }
        res.writeHead(answer.statusCode, answer.headers);
        answer.pipe(res);
      },
    );
    out.on('error', () => res.destroy());
    req.pipe(out);
  });
  wire.on('clientError', (_error, socket) => socket.destroy());
  return {
    url: `http://127.0.0.1:${await listen(wire)}`,
    loseNext: (n) => {
      lose += n;
    },
    lost: () => lost,
    end: () => {
      wire.closeAllConnections();
      return new Promise((done) => wire.close(done));
    },
  };
}

/** A store for photos, S3-compatible as far as it is used, which can be full. */
export async function photoShelf() {
  const files = new Map();
  let full = false;
  const shelf = createServer((req, res) => {
    const key = req.url.split('?')[0];
    const parts = [];
    req.on('data', (chunk) => parts.push(chunk));
    req.on('end', () => {
      if (req.method === 'PUT') {
        if (full) {
          res.writeHead(507, { 'content-type': 'application/xml' });
          return res.end(
            '<?xml version="1.0"?><Error><Code>InsufficientStorage</Code><Message>No space left</Message></Error>',
          );
        }
        files.set(key, Buffer.concat(parts));
        return res.writeHead(200, { etag: '"1"' }).end();
      }
      if (req.method === 'DELETE') {
        files.delete(key);
        return res.writeHead(204).end();
      }
      const data = files.get(key);
      if (data) return res.writeHead(200, { 'content-type': 'image/jpeg' }).end(data);
      res.writeHead(404, { 'content-type': 'application/xml' });
      res.end('<?xml version="1.0"?><Error><Code>NoSuchKey</Code></Error>');
    });
  });
  return {
    url: `http://127.0.0.1:${await listen(shelf)}`,
    full: (now) => {
      full = now;
    },
    files,
    end: () => {
      shelf.closeAllConnections();
      return new Promise((done) => shelf.close(done));
    },
  };
}
