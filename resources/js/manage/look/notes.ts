/** The notes at the parts of the plate: their options as words that open in place. */
export interface Note {
	key: string;
	title: string;
	/** Texts, with options as words between them: `group.option`. */
	says: (string | { option: string })[];
}

const word = (option: string) => ({ option });

export const NOTES: Note[] = [
	{
		key: "headings",
		title: "headings",
		says: [word("type.headings"), ", weight ", word("type.weight"), ", steps of ", word("type.steps")],
	},
	{
		key: "text",
		title: "text",
		says: [word("type.text"), " ", word("type.size"), ", lines ", word("type.lines")],
	},
	{ key: "links", title: "links", says: [word("links.style")] },
	{ key: "choices", title: "marks of choices", says: [word("choices.mark")] },
	{
		key: "pictures",
		title: "pictures",
		says: ["corners ", word("shape.pictures"), ", border ", word("shape.border")],
	},
	{
		key: "pointed",
		title: "card pointed at",
		says: [
			word("pointed.effect"),
			" in ",
			word("pointed.tint"),
			", ",
			word("pointed.strength"),
			", with ",
			word("pointed.mark"),
		],
	},
	{
		key: "cards",
		title: "cards",
		says: [word("shape.card"), ", corners ", word("shape.corners"), ", shadow ", word("shape.shadow")],
	},
	{
		key: "badges",
		title: "badges",
		says: [word("badges.style"), " in ", word("badges.colour"), ", corners ", word("badges.corners")],
	},
	{
		key: "divider",
		title: "between bands",
		says: [
			word("divider.shape"),
			", ",
			word("divider.height"),
			", on ",
			word("divider.side"),
			", in ",
			word("divider.colour"),
			", ",
			word("divider.flipped"),
		],
	},
	{
		key: "buttons",
		title: "buttons",
		says: [word("buttons.style"), " in ", word("buttons.colour"), ", corners ", word("buttons.corners")],
	},
];

export const ROOM: Note["says"] = [
	"Room: ",
	word("room.density"),
	", a step is ",
	word("room.step"),
	" · widest text ",
	word("room.measure"),
	" · page ",
	word("room.page"),
	" · menus and buttons in ",
	word("type.interface"),
	" · ",
	word("light.scheme"),
];
