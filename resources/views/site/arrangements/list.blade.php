<ul @class($shown->listClasses())>
    @foreach ($cards as $card)
        <li class="card">@include('site.card')</li>
    @endforeach
</ul>
