import { skipToken, useQuery } from "@tanstack/react-query";
import { Link, useParams, useSearchParams } from "react-router";
import { get } from "../shared/api/api";
import { useType } from "../shared/api/start";
import { Opening } from "../shared/Fault";
import { Screen } from "../shared/Screen";
import { ChooseFile } from "./import/ChooseFile";
import { ImportSteps } from "./import/ImportSteps";

/** Imports items from a file: match the columns, review, check, then write. */
export function ImportScreen() {
	const { type: key = "" } = useParams();
	const type = useType(key);
	const [asked, setAsked] = useSearchParams();
	const id = asked.get("import");
	const row = useQuery({
		queryKey: ["import", id],
		queryFn:
			id === null ? skipToken : ({ signal }) => get("/imports/{id}", { params: { path: { id: Number(id) } }, signal }),
		refetchInterval: (query) => (["checking", "writing"].includes(query.state.data?.state ?? "") ? 700 : false),
	});
	return (
		<Screen
			title={`Import ${type.plural.toLowerCase()}`}
			about="Nothing is written before every row has been checked and you have seen what would become of it."
			aside={
				<Link to={`/content/${key}`} className="btn btn-sm h-9">
					Back to the table
				</Link>
			}
		>
			{row.data ? (
				<ImportSteps key={row.data.id} row={row.data} onAgain={() => setAsked({})} />
			) : id === null ? (
				<ChooseFile type={key} onTaken={(taken) => setAsked({ import: String(taken.id) })} />
			) : (
				<Opening queries={[row]} />
			)}
		</Screen>
	);
}
