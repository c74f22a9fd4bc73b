// The tests a mutation run is judged by: those of core, without a database.
const { projects } = require('./jest.config.cjs');
const unit = projects.find(({ displayName }) => displayName === 'unit');
module.exports = { ...unit, testMatch: ['<rootDir>/packages/core/src/**/*.test.ts'] };
