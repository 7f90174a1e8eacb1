// Adds up what the runners reported: bin/lib/tally.mjs FOLDER NAME... A missing report is a failure.
import { readFileSync } from 'node:fs';
import path from 'node:path';

/** What a failure says, without colours, and where it says so. */
function firstLines(message) {
  const lines = message
    .replace(/\u001b\[\d*m/g, '')
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean);
  const where = lines.find((line) => /^at .*\.test\.ts/.test(line));
  return [...lines.slice(0, 6).filter((line) => line !== where), where]
    .filter(Boolean)
    .join(' / ')
    .slice(0, 600);
}

const [folder, ...names] = process.argv.slice(2);
let passed = 0;
let failed = 0;
const broken = [];
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
  for (const file of report.testResults ?? []) {
    const own = path.relative(process.cwd(), file.name);
    const tests = file.assertionResults.filter(({ status }) => status === 'failed');
    if (file.status === 'failed' && tests.length === 0) broken.push(`${own}: ${firstLines(file.message)}`);
    for (const test of tests)
      broken.push(`${own}: ${test.fullName}: ${firstLines(test.failureMessages[0] ?? '')}`);
  }
  console.log(`${name}: ${own.passed} passed, ${own.failed} failed`.replace(', ', ' / '));
  passed += own.passed;
  failed += own.failed;
}
// Last, since of a long log often only the end is kept.
if (broken.length > 0) console.log(['Failed:', ...broken].join('\n'));
console.log(`${passed} passed, ${failed} failed`);
process.exitCode = failed > 0 ? 1 : 0;
