@php($options = $facet->options())
@if (count($options) > 1)
    <ul class="options">
        <li class="option">
            <label>
                <input type="radio" form="{{ $choices->form() }}" name="{{ $choices->parameter($facet) }}" value=""
                    @checked($facet->chosen === null)>
                <span class="label">Either</span>
            </label>
        </li>
        @foreach ($options as $option)
            @include('site.filters.option', ['type' => 'radio'])
        @endforeach
    </ul>
@else
    @include('site.filters.options', ['type' => 'checkbox'])
@endif
