import * as file from './fileAnswers';
import * as job from './jobAnswers';
import * as mark from './markAnswers';
import * as week from './weekAnswers';

/** Everything that is answered with a file, figures or a stream instead of a page, by name. */
export const ANSWERS = { ...file, ...job, ...mark, ...week };
