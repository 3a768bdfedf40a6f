<ul class="choice-tabs" aria-label="{{ $facet->filter->label() }}">
    <li>
        <a href="{{ $choices->allAddress($facet) }}" rel="nofollow" @if ($facet->chosen === null) aria-current="true" @endif>All</a>
    </li>
    @foreach ($facet->options() as $option)
        <li>
            @if ($option->isOff())
                <span class="is-off">{{ $option->label }}@if ($facet->filter->counts)
                    <span class="n">0</span>@endif</span>
            @else
                <a href="{{ $option->isChosen ? $choices->allAddress($facet) : $choices->optionAddress($facet, $option) }}"
                    rel="nofollow" @if ($option->isChosen) aria-current="true" @endif>{{ $option->label
                    }}@if ($facet->filter->counts)
                    <span class="n">{{ $option->count }}</span>@endif</a>
            @endif
        </li>
    @endforeach
</ul>
