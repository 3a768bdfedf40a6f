<p class="shout">{{ mb_strtoupper($block->values->text('words')) }}</p>
