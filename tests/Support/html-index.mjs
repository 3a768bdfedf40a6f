// Prints the elements, attributes and event handlers of the HTML Living Standard's index (and of HTML 4) as JSON, from
// packages that are made from it.
import { htmlElementAttributes } from "html-element-attributes";
import { htmlEventAttributes } from "html-event-attributes";
import { htmlTagNames } from "html-tag-names";

const attributes = [...new Set(Object.values(htmlElementAttributes).flat())];
console.log(JSON.stringify({ elements: htmlTagNames, attributes, events: htmlEventAttributes }));
