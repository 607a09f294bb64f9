type Take = (event: { data: string; lastEventId: string }) => void;

/** A stream as a browser has it, whose events are given out by hand. */
export class FakeStream {
  static last: FakeStream;
  private readonly takes = new Map<string, Take>();
  constructor(readonly url: string) {
    FakeStream.last = this;
  }
  addEventListener(kind: string, take: Take): void {
    this.takes.set(kind, take);
  }
  close(): void {
    this.takes.clear();
  }
  say(kind: string, data: object, lastEventId = ''): void {
    this.takes.get(kind)?.({ data: JSON.stringify(data), lastEventId });
  }
}

/** In the tests of a file a page that opens a stream gets one of these. */
export function giveStreams(): void {
  const usual = globalThis.EventSource;
  beforeEach(() => {
    globalThis.EventSource = FakeStream as unknown as typeof EventSource;
  });
  afterEach(() => {
    globalThis.EventSource = usual;
  });
}
