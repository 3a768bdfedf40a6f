import { moment, useStart } from "../api/start";
import { Notice } from "../Notice";

/** Offers to restore values that were typed earlier in this browser and never reached the server. */
export function LeftNotice({
	left,
	onBringBack,
	onDrop,
}: {
	/** `at`: the instant of typing; null if there is nothing to restore */
	left: { at: string } | null;
	onBringBack: () => void;
	onDrop: () => void;
}) {
	const start = useStart();
	return (
		left && (
			<Notice tone="calm">
				This browser still has what you typed on {moment(start, left.at)}. It did not reach the server.{" "}
				<button type="button" className="link font-semibold" onClick={onBringBack}>
					Bring it back
				</button>{" "}
				or{" "}
				<button type="button" className="link font-semibold" onClick={onDrop}>
					drop it
				</button>
				.
			</Notice>
		)
	);
}
