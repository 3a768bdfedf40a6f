<div class="parts">@include('site.card', ['card' => $card, 'shown' => $shown])</div>
