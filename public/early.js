// Runs before the application is read: asks for what its first page needs while the rest is still on its way. What is
// asked for here is taken up in src/web/platform/earlyRequests.ts.
(() => {
  const signedIn = localStorage.getItem('limnos.signedIn');
  const paths = signedIn ? ['/api/house', '/api/bar', '/api/book', '/api/vessels'] : ['/api/house'];
  globalThis.limnosEarly = new Map(
    paths.map((path) => [path, fetch(path, { credentials: 'same-origin' }).catch(() => null)]),
  );
})();
