import { speak } from '../text/i18n';

// Tests read the page in English.
await speak('en');
