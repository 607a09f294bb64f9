// Asked for before the rest of the application is even run: on a slow tablet that takes as long as the answers do.

/** Set while somebody is signed in on this device: nobody else's page asks for a bar. */
export const SIGNED_IN_HERE = 'limnos.signedIn';
const asked = new Map<string, Promise<Response | null>>();

/** Sends the first requests of the page. */
export function requestEarly(): void {
  const paths = localStorage.getItem(SIGNED_IN_HERE)
    ? ['/api/house', '/api/bar', '/api/book', '/api/vessels']
    : ['/api/house'];
  for (const path of paths)
    asked.set(
      path,
      fetch(path, { credentials: 'same-origin' }).catch(() => null),
    );
}

/** The first request for a path uses what was asked for early; any later one asks again. */
export const fetchEarly: typeof fetch = async (input, init) => {
  const request = new Request(input, init);
  const path = new URL(request.url).pathname;
  const early = request.method === 'GET' ? asked.get(path) : undefined;
  asked.delete(path);
  return (await early) ?? fetch(request);
};
