<ul @class(['cards', 'as-list', ...$shown->columnClasses()])>
    @foreach ($cards as $card)
        <li class="card">@include('site.card', ['card' => $card, 'shown' => $shown])</li>
    @endforeach
</ul>
