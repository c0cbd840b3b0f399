import type { Reading, ReadingRequest } from '@ruffle-wheel/core';

/** What the worker can be asked. Types only: the machinery stands in the client and the worker. */
export interface Computer {
  readSection(request: ReadingRequest): Reading;
}
