<ul @class(['cards', 'as-grid', ...$shown->columnClasses()])>
    @foreach ($cards as $card)
        <li class="card">@include('site.card', ['card' => $card, 'shown' => $shown])</li>
    @endforeach
</ul>
