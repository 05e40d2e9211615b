// Reads the reports of test runs. `count FILE` prints how many passed and failed; a suite that did not run counts as one
// failure. `slowest FILE...` prints the ten tests that took longest.
import { readFileSync } from 'node:fs';
import { basename } from 'node:path';

const [what, ...files] = process.argv.slice(2);
const reports = files.map((file) => JSON.parse(readFileSync(file, 'utf8')));

if (what === 'count') {
  const [report] = reports;
  const unrun = report.testResults.filter(
    ({ status, assertionResults }) => status === 'failed' && assertionResults.length === 0,
  );
  if (report.numTotalTests === 0) process.exit(1);
  console.log(report.numPassedTests, report.numFailedTests + unrun.length);
} else {
  const tests = reports
    .flatMap(({ testResults }) => testResults)
    .flatMap(({ name, assertionResults }) =>
      assertionResults.map(({ fullName, duration }) => ({
        file: basename(name),
        fullName,
        ms: duration ?? 0,
      })),
    )
    .sort((a, b) => b.ms - a.ms);
  for (const { file, fullName, ms } of tests.slice(0, 10))
    console.log(`${(ms / 1000).toFixed(1).padStart(7)} s  ${file}: ${fullName}`);
}
