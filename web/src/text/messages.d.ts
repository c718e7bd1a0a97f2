declare module 'virtual:messages/*' {
  import type { MessageFormatElement } from 'intl-messageformat';

  const messages: Record<string, string | MessageFormatElement[]>;
  export default messages;
}
