@php($places = $shown->masonry($cards))
<ul @class($shown->listClasses()) data-masonry>
    @foreach ($cards as $i => $card)
        <li class="card" data-columns="{{ $places[$i]['columns'] }}" data-height="{{ $places[$i]['height'] }}"
            >@include('site.card')</li>
    @endforeach
</ul>
