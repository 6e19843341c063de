// A process whose memory grows outside the engine's heap.
const kept = [];
process.once('message', () => setInterval(() => kept.push(Buffer.alloc(64 * 1024 * 1024, 1)), 20));
