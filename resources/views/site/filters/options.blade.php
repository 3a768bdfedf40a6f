{{-- Options one below the other; those after the first few stand behind “more”. --}}
@php($all = $facet->options())
@php($type = $facet->filter->control->takesSeveral() || count($all) === 1 ? 'checkbox' : 'radio')
@php($most = $facet->filter->most ?? count($all))
@php($rest = array_slice($all, $most))
<ul class="options">
    @if ($type === 'radio')
        <li class="option">
            <label>
                <input type="radio" form="{{ $choices->form() }}" name="{{ $choices->parameter($facet) }}" value=""
                    @checked($facet->chosen === null)>
                <span class="label">@say('choices.any')</span>
            </label>
        </li>
    @endif
    @foreach (array_slice($all, 0, $most) as $option)
        @include('site.filters.option')
    @endforeach
</ul>
@if ($rest !== [])
    <details class="more-options"@if (array_filter($rest, fn ($one) => $one->isChosen) !== []) open @endif>
        <summary>@say('choices.more', ['n' => count($rest)])</summary>
        <ul class="options">
            @foreach ($rest as $option)
                @include('site.filters.option')
            @endforeach
        </ul>
    </details>
@endif
