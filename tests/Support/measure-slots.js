// The body of a function of one argument, the direction of writing. It returns what lies outside its slot or over
// something else, and the first row of each list.
document.documentElement.dir = arguments[0];
const out = [], rows = [];
const root = document.documentElement;
if (root.scrollWidth > root.clientWidth) out.push("the page is " + root.scrollWidth + " px wide");
const box = (one) => one.getBoundingClientRect();
for (const slot of document.querySelectorAll(".slot")) {
    const room = box(slot);
    const moving = slot.querySelector(".as-ticker, .as-slideshow, .ticker, .slideshow");
    for (const one of moving ? [] : slot.querySelectorAll(
        ":is(.card, .part, img):not(.table-box *), .table-box, h2",
    )) {
        const at = box(one);
        if (at.width > 0 && (at.left < room.left - 1.5 || at.right > room.right + 1.5)) {
            out.push(one.tagName + "." + one.className + " leaves its slot");
        }
    }
    const cards = moving ? [] : [...slot.querySelectorAll(".card")].map(box);
    cards.forEach((a, i) => cards.slice(i + 1).forEach((b, j) => {
        if (Math.min(a.right, b.right) - Math.max(a.left, b.left) > 1.5
            && Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top) > 1.5) {
            out.push("cards " + i + " and " + (i + 1 + j) + " overlap");
        }
    }));
    const list = slot.querySelector(".cards");
    if (list && cards.length) {
        const style = getComputedStyle(list);
        rows.push({
            slot: box(list).width, gap: parseFloat(style.columnGap) || 0,
            most: Number(style.getPropertyValue("--across")) || 1,
            across: cards.filter((one) => Math.abs(one.top - cards[0].top) < 2).length,
        });
    }
}
return { out: [...new Set(out)].slice(0, 5), rows };
