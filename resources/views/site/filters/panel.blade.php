{{-- The filters of an offer, each under its name; their controls belong to the form of the listing. --}}
@php($isAbove = ($suffix ?? '') === '' && $choices->stands() === 'above')
<div class="panel" id="{{ $choices->offer->key }}-filters{{ $suffix ?? '' }}"
    data-choices-of="{{ $choices->offer->key }}">
    <div class="filters">
        @foreach ($choices->facets as $facet)
            @php($kind = $facet->filter->control->key())
            @if ($choices->isOneBox($facet))
                <div class="filter filter-only">@includeFirst(["site.filters.{$kind}", 'site.filters.options'])</div>
            @elseif ($isAbove && in_array($kind, ['tabs', 'buttons'], true))
                <div class="filter filter-{{ $kind }}"
                    >@includeFirst(["site.filters.{$kind}", 'site.filters.options'])</div>
            @else
                <details class="filter filter-{{ $kind }}" data-filter="{{ $facet->filter->name }}"
                    @if ($facet->filter->open || $facet->chosen !== null) open @endif>
                    <summary>
                        <span class="filter-name">{{ $facet->filter->label() }}</span>
                        @if ($facet->filter->control->takesSeveral())
                            <span class="filter-join"
                                >@say($choices->asksAll($facet) ? 'choices.allOf' : 'choices.anyOf')</span>
                        @endif
                    </summary>
                    <div class="filter-body" role="group" aria-label="{{ $facet->filter->label() }}"
                        >@includeFirst(["site.filters.{$kind}", 'site.filters.options'])</div>
                </details>
            @endif
        @endforeach
    </div>
    @if (isset($submit) || ! $choices->areChosenByLinks())
        <p class="choose-submit"><button type="submit" form="{{ $choices->form() }}" class="choose-button">{{
            $submit ?? $choices->showWords() }}</button></p>
    @endif
</div>
