// Prints "PASSED FAILED" of a report that Vitest or Playwright wrote as JSON.
import { readFileSync } from 'node:fs';

const report = JSON.parse(readFileSync(process.argv[2], 'utf8'));
const [passed, failed] = report.stats
  ? [report.stats.expected + report.stats.flaky, report.stats.unexpected]
  : [report.numPassedTests, report.numFailedTests + failedSuites(report)];
console.log(`${passed} ${failed}`);

/** Files that broke before any of their tests ran: Vitest counts no test for them. */
function failedSuites({ testResults }) {
  return testResults.filter(({ status, assertionResults }) => status === 'failed' && assertionResults.length === 0).length;
}
