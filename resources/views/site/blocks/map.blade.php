{{-- Without scripts: the drawn map and a link for a map application. --}}
@php($place = $words ?: $block->field?->label ?: \App\Wording\SiteText::plain('page.place'))
<figure class="map" data-map data-latitude="{{ $latitude }}" data-longitude="{{ $longitude }}"
    data-zoom="{{ $block->zoom }}" data-label="{{ $words }}" data-drawn="{{ $drawn }}"
    @if ($tiles !== null) data-tiles="{{ $tiles->address }}" data-attribution="{{ $tiles->attribution }}"
    data-host="{{ $tiles->host() }}" @endif>
    <div class="map-picture">
        <svg viewBox="0 0 {{ $map::WIDTH }} {{ $map::HEIGHT }}" role="img"
            aria-label="@plain('page.map', ['place' => $place])">
            <path class="land" fill-rule="evenodd" d="{{ implode('', $map->land) }}"/>
            <circle class="place" cx="{{ round($map->point[0], 1) }}" cy="{{ round($map->point[1], 1) }}" r="8"/>
        </svg>
    </div>
    <figcaption>
        {{ $words }} <a href="geo:{{ $latitude }},{{ $longitude }}">{{ $latitude }}, {{ $longitude }}</a>
    </figcaption>
</figure>
