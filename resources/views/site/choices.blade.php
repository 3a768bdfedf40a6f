{{-- What is chosen, how many that leaves, and how they are ordered, paged and laid out. --}}
@php($chosen = $choices->chosen())
@php($tools = [
    ['choices.order', 'sort', $choices->tools->orders()],
    ['choices.size', 'size', $choices->tools->sizes()],
])
@php($arrangements = $choices->tools->arrangements())
@if ($chosen !== [])
    <ul @class(['chosen', 'on-phone' => ! in_array(false, array_column($chosen, 'isOnPhone'), true)])
        aria-label="@plain('choices.chosen')">
        @foreach ($chosen as $one)
            <li @class(['on-phone' => $one['isOnPhone']])><a
                href="{{ $one['address'] }}" rel="nofollow"><span
                class="unseen">@say('choices.withoutFilter', ['filter' => $one['label']]) </span>{{ $one['words'] }}
                <span aria-hidden="true">×</span></a></li>
        @endforeach
        <li><a class="clear" href="{{ $choices->clearAddress() }}" rel="nofollow">@say('choices.clearAll')</a></li>
    </ul>
@endif
<div class="toolbar">
    <p class="count" data-total="{{ $choices->total() }}">{{ $choices->count() }}</p>
    <div class="tools">
        @if ($choices->isDrawerOnPhone())
            <a class="open-filters" href="#{{ $choices->anchor }}-choose"
                >@say('choices.filters') @if ($chosen !== [])
                ({{ count($chosen) }})@endif</a>
        @endif
        @foreach ($tools as [$label, $name, $options])
            @if ($options !== [])
                <label class="tool">
                    <span class="unseen">@say($label)</span>
                    <select form="{{ $choices->form() }}" name="{{ $choices->offer->parameter($name) }}">
                        @foreach ($options as $option)
                            <option value="{{ $option['value'] }}" @selected($option['isChosen'])>{{ $option['name']
                                }}</option>
                        @endforeach
                    </select>
                </label>
            @endif
        @endforeach
        @if (array_filter(array_column($tools, 2)) !== [])
            <button type="submit" form="{{ $choices->form() }}" class="quiet-button tool-submit"
                >@say('choices.apply')</button>
        @endif
        @if ($arrangements !== [])
            <ul class="tool-arrangements" aria-label="@plain('choices.layout')">
                @foreach ($arrangements as $one)
                    <li><a href="{{ $one['address'] }}" rel="nofollow" @if ($one['isChosen']) aria-current="true" @endif
                        >{{ $one['name'] }}</a></li>
                @endforeach
            </ul>
        @endif
        @if ($choices->canBeRemembered())
            <button type="button" class="quiet-button" data-remember="{{ $choices->offer->key }}" hidden
                >@say('choices.remember')</button>
        @endif
    </div>
</div>
