@php([$point, $distance] = $facet->chosen->options ?? ['', ''])
@php($isHere = $facet->chosen !== null && $point === '')
@php($label = $facet->filter->label())
<div class="ends" data-near>
    <label>
        @say('choices.near')
        <select form="{{ $choices->form() }}" name="{{ $choices->parameter($facet) }}" data-point>
            <option value="">@plain('choices.anywhere')</option>
            @foreach ($choices->points($facet) as $key => $one)
                <option value="{{ $key }}" @selected($key === $point)>{{ $one['name'] }}</option>
            @endforeach
            @if ($isHere)
                <option value="{{ implode(',', array_slice(explode(',', $facet->chosen->said), 0, 2)) }}" selected
                    >@plain('choices.here')</option>
            @endif
        </select>
    </label>
    <label>
        @say('choices.within')
        <select form="{{ $choices->form() }}" name="{{ $choices->parameter($facet) }}" data-distance>
            @foreach ($choices->distances($facet) as $km => $words)
                <option value="{{ $km }}" @selected((string) $km === $distance)>{{ $words }}</option>
            @endforeach
        </select>
    </label>
    <button type="button" class="quiet-button" data-here hidden>@say('choices.useHere')</button>
</div>
