import data from './vacuum-schools.json';

export const vacuumSchools = ['usual', 'deep', 'old-oil'] as const;
export type VacuumSchool = (typeof vacuumSchools)[number];

const targets = new Map(data.schools.map(({ school, targetMicron }) => [school, targetMicron]));

/** micron to which a school pulls. Source: `vacuum-schools.json`. */
export const targetOf = (school: VacuumSchool): number => targets.get(school)!; // the data has each of them: see the test
