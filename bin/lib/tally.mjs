// Adds up what the runners reported: bin/lib/tally.mjs FOLDER NAME... A missing report is a failure.
import { readFileSync } from 'node:fs';
import path from 'node:path';

const [folder, ...names] = process.argv.slice(2);
let passed = 0;
let failed = 0;
for (const name of names) {
  let report;
  try {
    report = JSON.parse(readFileSync(path.join(folder, `${name}.json`), 'utf8'));
  } catch {
    console.log(`${name}: no report, counted as a failure`);
    failed += 1;
    continue;
  }
  const own = {
    passed: report.passed ?? report.numPassedTests,
    // A file that could not be run at all has no failed test of its own.
    failed: report.failed ?? report.numFailedTests + report.numRuntimeErrorTestSuites,
  };
  if (own.passed + own.failed === 0) own.failed = 1;
  console.log(`${name}: ${own.passed} passed, ${own.failed} failed`.replace(', ', ' / '));
  passed += own.passed;
  failed += own.failed;
}
console.log(`${passed} passed, ${failed} failed`);
process.exitCode = failed > 0 ? 1 : 0;
