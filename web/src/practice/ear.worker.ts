import { warmUp } from '@inner-hum/core/signal';
import { expose } from 'comlink';
import { addDraftPiece } from '../db/drafts';
import { earFunctions } from './earFunctions';

warmUp();
expose(earFunctions(addDraftPiece));
