// Asks an address again and again and tells how much longer an answer took than this program was kept waiting itself,
// which is what a busy machine does to both. Ends at the end of its input; prints the longest in milliseconds.
const [address] = process.argv.slice(2);
const EVERY_MS = 8;
let [longest, late, ended] = [0, 0, false];
let before = performance.now();
setInterval(() => {
  const now = performance.now();
  late += Math.max(0, now - before - EVERY_MS);
  before = now;
}, EVERY_MS);
process.stdin.on('end', () => {
  ended = true;
});
process.stdin.resume();
process.stdout.write('watching\n');
while (!ended) {
  const started = performance.now();
  late = 0;
  const response = await fetch(address);
  await response.text();
  longest = Math.max(longest, performance.now() - started - late);
  if (!response.ok) longest = Number.POSITIVE_INFINITY;
  await new Promise((resolve) => setTimeout(resolve, EVERY_MS));
}
process.stdout.write(`${Math.round(longest)}\n`);
process.exit(0);
