{{-- Options as links, one of them chosen; the first chooses none. --}}
<ul class="{{ $class }}" aria-label="{{ $facet->filter->label() }}">
    <li>
        <a href="{{ $choices->allAddress($facet) }}" rel="nofollow"
            @if ($facet->chosen === null) aria-current="true" @endif>@say('choices.all')</a>
    </li>
    @foreach ($facet->options() as $option)
        <li>
            @if ($option->isOff())
                <span class="is-off">{{ $choices->label($facet, $option) }}@if ($facet->filter->counts)
                    <span class="n">0</span>@endif</span>
            @else
                <a href="{{ $choices->optionAddress($facet, $option) }}" rel="nofollow"
                    @if ($option->isChosen) aria-current="true" @endif>{{ $choices->label($facet, $option)
                    }}@if ($facet->filter->counts)
                    <span class="n">{{ $option->count }}</span>@endif</a>
            @endif
        </li>
    @endforeach
</ul>
