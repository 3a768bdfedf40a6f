/** The address that a choices form leads to, in the application's form. */
export function addressOf(form: HTMLFormElement): string {
	const query = [...choicesOf(form)].map(
		([name, value]) => `${encodeURIComponent(name)}=${encodeURIComponent(value).replaceAll("%2C", ",")}`,
	);
	return form.action.replace(/[?#].*$/, "") + (query.length > 0 ? `?${query.join("&")}` : "");
}

/** The values of a form by parameter: options joined by commas, the two ends of a range by two points. */
export function choicesOf(form: HTMLFormElement): Map<string, string> {
	const values = new Map<string, string[]>();
	for (const [name, value] of new FormData(form)) {
		values.set(name, [...(values.get(name) ?? []), String(value)]);
	}
	const isRange = (name: string) =>
		[...form.elements].some(
			(one) => one.tagName === "INPUT" && (one as HTMLInputElement).name === name && isEnd(one as HTMLInputElement),
		);
	const said = new Map<string, string>();
	for (const [name, all] of values) {
		const isPoint = [...form.elements].some(
			(one) => (one as HTMLElement).dataset.point !== undefined && name === (one as HTMLSelectElement).name,
		);
		const value = isRange(name)
			? all.join("..")
			: isPoint
				? pointOf(form, name)
				: all.filter((one) => one !== "").join(",");
		if (value !== "" && value !== "..") {
			said.set(name, value);
		}
	}
	return said;
}

const isEnd = (input: HTMLInputElement) => input.type === "number" || input.type === "date";

/** A point and a distance; nothing while no point is chosen. */
function pointOf(form: HTMLFormElement, name: string): string {
	const selects = [...form.elements].filter(
		(one): one is HTMLSelectElement => one.tagName === "SELECT" && (one as HTMLSelectElement).name === name,
	);
	const point = selects.find((one) => one.dataset.point !== undefined)?.value ?? "";
	const distance = selects.find((one) => one.dataset.distance !== undefined)?.value ?? "";
	return point === "" ? "" : `${point},${distance}`;
}
