<select form="{{ $choices->form() }}" name="{{ $choices->parameter($facet) }}"
    aria-label="{{ $facet->filter->label() }}">
    <option value="">@plain('choices.all')</option>
    @foreach ($facet->options() as $option)
        <option value="{{ $option->value }}" @selected($option->isChosen)
            @disabled($option->isOff())>{{ $choices->label($facet, $option)
            }}@if ($facet->filter->counts) ({{ $option->count }})@endif</option>
    @endforeach
</select>
