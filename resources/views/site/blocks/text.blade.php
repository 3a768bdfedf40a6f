<div class="prose">{!! $html !!}</div>
