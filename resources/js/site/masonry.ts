import { onEach } from "./shared/each";
import { layOutMasonry } from "./shared/masonryColumns";

onEach("[data-masonry]", layOutMasonry);
