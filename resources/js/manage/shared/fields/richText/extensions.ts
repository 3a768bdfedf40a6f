import Image from "@tiptap/extension-image";
import StarterKit from "@tiptap/starter-kit";
import { Film } from "./film";
import { IntroductionEnd } from "./introductionEnd";
import { tables } from "./tables";

/** What a text may hold in the editor. */
export const extensions = [
	StarterKit.configure({ link: { openOnClick: false }, codeBlock: false }),
	Image,
	Film,
	IntroductionEnd,
	...tables,
];
