import type { IncomingMessage } from 'node:http'

/** The bytes that came with a request, counted: one that is sent in pieces does not say how many. */
const counted = new WeakMap<IncomingMessage, number>()
export const noteBytes = (req: IncomingMessage, bytes: number): void => void counted.set(req, bytes)
export const bytesOf = (req: IncomingMessage): number => counted.get(req) ?? 0
