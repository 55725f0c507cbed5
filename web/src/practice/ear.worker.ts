import { expose } from 'comlink';
import { addDraftPiece } from '../db/drafts';
import { earFunctions } from './earFunctions';

expose(earFunctions(addDraftPiece));
