import { Sheet } from "../Sheet";

const SHORTCUTS: [string, string][] = [
	["/", "Find any module, page, item, term or action"],
	["?", "This list"],
	["Ctrl Z, Ctrl Shift Z", "Undo and redo on the bench"],
	["Esc", "Close what is open"],
	["Alt ↑, Alt ↓", "Move the condition you are in, on the bench"],
	["Tab, Enter", "To the next underlined word of the text; open it"],
];

export function Shortcuts({ onClose }: { onClose: () => void }) {
	return (
		<Sheet title="Shortcuts" onClose={onClose}>
			<dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-2">
				{SHORTCUTS.map(([key, what]) => (
					<div key={key} className="contents">
						<dt className="font-semibold whitespace-nowrap">{key}</dt>
						<dd>{what}</dd>
					</div>
				))}
			</dl>
		</Sheet>
	);
}
