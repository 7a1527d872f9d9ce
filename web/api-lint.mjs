// Holds the API's description against an independent linter's recommendations.
import { createConfig, lint } from '@redocly/openapi-core';

const config = await createConfig({
  extends: ['recommended'],
  // The licence of the project is its owner's to choose.
  rules: { 'info-license': 'off' },
});
const problems = await lint({ ref: process.argv[2], config });
for (const p of problems) console.error(`${p.ruleId}: ${p.message} at ${p.location[0]?.pointer}`);
process.exit(problems.length > 0 ? 1 : 0);
