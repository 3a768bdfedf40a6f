export function Pick({
	label,
	any,
	value,
	onChange,
	options,
}: {
	label: string;
	any: string;
	value: string;
	onChange: (next: string) => void;
	options: [string, string][];
}) {
	return (
		<select
			className="select select-sm h-9 w-auto max-w-52"
			aria-label={label}
			value={value}
			onChange={(event) => onChange(event.target.value)}
		>
			<option value="">{any}</option>
			{options.map(([key, words]) => (
				<option key={key} value={key}>
					{words}
				</option>
			))}
		</select>
	);
}
