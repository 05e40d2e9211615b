// Prints how many tests of a test report passed and failed; a suite that did not run counts as one failure.
import { readFileSync } from 'node:fs';

const report = JSON.parse(readFileSync(process.argv[2], 'utf8'));
const unrun = report.testResults.filter(
  ({ status, assertionResults }) => status === 'failed' && assertionResults.length === 0,
);
if (report.numTotalTests === 0) process.exit(1);
console.log(report.numPassedTests, report.numFailedTests + unrun.length);
