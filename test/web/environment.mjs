// A page's document for tests, with Node's own requests and answers: jsdom has none.
import { TestEnvironment } from 'jest-environment-jsdom';

const HERE = 'http://limnos.test';

export default class WebEnvironment extends TestEnvironment {
  async setup() {
    await super.setup();
    // A path alone is a request to this house, as in a browser.
    class PageRequest extends Request {
      constructor(input, init) {
        super(typeof input === 'string' ? new URL(input, HERE) : input, init);
      }
    }
    Object.assign(this.global, {
      AbortController,
      AbortSignal,
      fetch,
      Headers,
      Request: PageRequest,
      Response,
      structuredClone,
      TextDecoder,
      TextEncoder,
    });
  }
}
