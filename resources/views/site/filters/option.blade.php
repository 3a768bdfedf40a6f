<li @class(['option', 'below-'.min(4, $option->depth) => $option->depth > 0])>
    <label @class(['is-off' => $option->isOff()])>
        <input type="{{ $type }}" form="{{ $choices->form() }}" name="{{ $choices->parameter($facet) }}"
            value="{{ $option->value }}" @checked($option->isChosen) @disabled($option->isOff())>
        <span class="label">{{ $choices->label($facet, $option) }}</span>
        @if ($facet->filter->counts)<span class="n">{{ $option->count }}</span>@endif
    </label>
</li>
