// Prints "passed failed" from a JSON report of Vitest or Playwright.
import { readFileSync } from 'node:fs';

const report = JSON.parse(readFileSync(process.argv[2], 'utf8'));
if (report.stats) {
  const { expected, unexpected, flaky } = report.stats;
  console.log(`${expected + flaky} ${unexpected + report.errors.length}`);
} else {
  const brokenFiles = report.testResults.filter(
    (file) => file.status === 'failed' && file.assertionResults.length === 0,
  );
  console.log(`${report.numPassedTests} ${report.numFailedTests + brokenFiles.length}`);
}
