<ul class="choice-letters" aria-label="{{ $facet->filter->label() }}">
    @foreach ($facet->options() as $option)
        <li>
            @if ($option->isOff())
                <span class="is-off">{{ $option->label }}</span>
            @else
                <a href="{{ $choices->optionAddress($facet, $option) }}" rel="nofollow"
                    @if ($option->isChosen) aria-current="true" @endif
                    @if ($facet->filter->counts) title="{{ $option->count }}" @endif>{{ $option->label }}</a>
            @endif
        </li>
    @endforeach
</ul>
