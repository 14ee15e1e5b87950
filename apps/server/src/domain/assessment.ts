import { fillRuleSource } from '@hygromet/core/cylinder/fill-rule';
import { coreVersion } from '@hygromet/core/version';
import { fillPolicyOf, type OrganisationRow } from '../store/organisation-store';

/** What a booking was judged by, kept with it so that it can be computed again: versions, rules and their inputs. */
export const assessmentOf = (organisation: OrganisationRow) => ({
  core: coreVersion,
  policy: fillPolicyOf(organisation),
  hottestK: organisation.hottestK,
  sources: organisation.requiredRules.map(fillRuleSource),
});
