// A process that ends by the engine's own abort, as a hostile file can make it.
process.once('message', () => process.abort());
