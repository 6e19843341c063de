// A process that says nothing and does not end.
process.once('message', () => setInterval(() => {}, 1000));
