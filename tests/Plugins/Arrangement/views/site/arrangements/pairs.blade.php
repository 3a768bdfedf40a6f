<ol class="pairs">
    @foreach ($cards as $card)
        <li>@include('site.card', ['card' => $card, 'shown' => $shown])</li>
    @endforeach
</ol>
