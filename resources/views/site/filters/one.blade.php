<select form="{{ $choices->form() }}" name="{{ $choices->parameter($facet) }}"
    aria-label="{{ $facet->filter->label() }}">
    <option value="">All</option>
    @foreach ($facet->options() as $option)
        <option value="{{ $option->value }}" @selected($option->isChosen) @disabled($option->isOff())>{{ $option->label
            }}@if ($facet->filter->counts) ({{ $option->count }})@endif</option>
    @endforeach
</select>
