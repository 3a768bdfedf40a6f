<div class="block-space"></div>
