// Asked for before the rest of the application is even read, by `public/early.js`: on a slow tablet reading it takes as
// long as the answers do.

/** Set while somebody is signed in on this device: nobody else's page asks for a bar. Read by `public/early.js`. */
export const SIGNED_IN_HERE = 'limnos.signedIn';

declare global {
  /** By path; null where no answer came. */
  var limnosEarly: Map<string, Promise<Response | null>> | undefined;
}

/** The first request for a path uses what was asked for early; any later one asks again. */
export const fetchEarly: typeof fetch = async (input, init) => {
  const request = new Request(input, init);
  const path = new URL(request.url).pathname;
  const early = request.method === 'GET' ? globalThis.limnosEarly?.get(path) : undefined;
  globalThis.limnosEarly?.delete(path);
  return (await early) ?? fetch(request);
};
