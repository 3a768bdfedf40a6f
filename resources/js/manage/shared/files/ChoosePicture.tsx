import { useState } from "react";
import { MediaPicker } from "./MediaPicker";

/** A button that opens the files to choose one picture. */
export function ChoosePicture({ chosen, onPick }: { chosen: string | undefined; onPick: (name: string) => void }) {
	const [picking, setPicking] = useState(false);
	return (
		<>
			<button type="button" className="btn btn-sm justify-self-start" onClick={() => setPicking(true)}>
				{chosen ? "Choose another file" : "Choose a file"}
			</button>
			{picking && (
				<MediaPicker
					kind="picture"
					onClose={() => setPicking(false)}
					onPick={([first]) => {
						setPicking(false);
						if (first) {
							onPick(first.name);
						}
					}}
				/>
			)}
		</>
	);
}
