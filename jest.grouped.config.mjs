import each from './jest.config.mjs';

/** The same tests in groups (`scripts/lib/core-and-server-tests.mjs`): what a dozen files import is read once for all of them. */
export default {
  ...each,
  projects: each.projects.map((project) => {
    const groups = `<rootDir>/../../dist/grouped-tests/${project.displayName}`;
    return { ...project, roots: [groups], testMatch: [`${groups}/*.test.ts`], modulePathIgnorePatterns: [] };
  }),
};
