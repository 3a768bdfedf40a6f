<div class="space" role="presentation"></div>
