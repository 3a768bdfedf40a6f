import Image from "@tiptap/extension-image";
import StarterKit from "@tiptap/starter-kit";
import { Film } from "./film";
import { IntroductionEnd } from "./introductionEnd";
import { tables } from "./tables";

/** The elements that the text editor can edit. */
export const extensions = [
	StarterKit.configure({ link: { openOnClick: false }, codeBlock: false }),
	Image,
	Film,
	IntroductionEnd,
	...tables,
];
