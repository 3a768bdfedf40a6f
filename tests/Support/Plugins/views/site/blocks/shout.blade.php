<p class="shout">{{ mb_strtoupper($block->words) }}</p>
