@php($places = $shown->masonry($cards))
<ul @class($shown->listClasses()) data-masonry>
    @foreach ($cards as $i => $card)
        <li @class(['card', ...$places[$i]['classes']]) data-height="{{ $places[$i]['height'] }}"
            >@include('site.card')</li>
    @endforeach
</ul>
