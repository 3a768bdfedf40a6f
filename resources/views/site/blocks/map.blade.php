<figure class="map">
    <svg viewBox="0 0 {{ $map::WIDTH }} {{ $map::HEIGHT }}" role="img"
        aria-label="Map: {{ $words ?: $block->field->label }}">
        <path class="land" fill-rule="evenodd" d="{{ implode('', $map->land) }}"/>
        <circle class="place" cx="{{ round($map->point[0], 1) }}" cy="{{ round($map->point[1], 1) }}" r="8"/>
    </svg>
    <figcaption>
        {{ $words }} <a href="geo:{{ $latitude }},{{ $longitude }}">{{ $latitude }}, {{ $longitude }}</a>
    </figcaption>
</figure>
