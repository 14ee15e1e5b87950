import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import fingerprints from '../../checks/data-fingerprints.json';

test.each(Object.entries(fingerprints))(
  '%s is as it was checked: a coefficient changes only together with this fingerprint',
  (file, fingerprint) => {
    expect(
      createHash('sha256')
        .update(readFileSync(path.join(__dirname, file)))
        .digest('hex'),
    ).toBe(fingerprint);
  },
);
