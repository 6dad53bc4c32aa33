import type { StarterKitOptions } from '@tiptap/starter-kit';
import { isSafeLink } from '$core/html/clean';

/** What rich text may hold, wherever it is written. */
export const RICH_TEXT: Partial<StarterKitOptions> = {
  heading: false,
  codeBlock: false,
  horizontalRule: false,
  underline: false,
  link: {
    openOnClick: false,
    autolink: false,
    HTMLAttributes: { target: null, rel: null },
    isAllowedUri: (address) => isSafeLink(address)
  }
};
