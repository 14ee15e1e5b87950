import { propertyRequest } from '@hygromet/contract/properties';
import { lineBy } from './answer-lines';
import { answerProperty } from './domain/answer-property';

/** A question to the property core. */
export const answerLine = lineBy(propertyRequest, answerProperty);
