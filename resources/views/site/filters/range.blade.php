@php([$before, $after] = $choices->unit($facet))
@php($scale = $choices->scale($facet))
@php([$from, $to] = $facet->chosen->ends ?? [null, null])
@php($label = $facet->filter->label())
@if ($scale !== null)
    <div class="range" data-range>
        @if ($facet->filter->counts)
            <div class="bars" aria-hidden="true">
                @foreach ($choices->bars($facet) as $bar)
                    <span @class(['bar', 'is-in' => $bar['isIn']]) title="{{ $bar['words'] }}"><svg viewBox="0 0 1 100"
                        preserveAspectRatio="none" focusable="false"><rect width="1" height="{{ $bar['share'] }}"
                        y="{{ 100 - $bar['share'] }}"/></svg></span>
                @endforeach
            </div>
        @endif
        <div class="handles">
            @foreach (['from' => $from ?? $scale['min'], 'to' => $to ?? $scale['max']] as $word => $value)
                <input type="range" autocomplete="off" aria-label="{{ $label }}, @plain("choices.{$word}")"
                    min="{{ $scale['min'] }}"
                    max="{{ $scale['max'] }}" step="{{ $scale['step'] }}" value="{{ $value }}">
            @endforeach
        </div>
    </div>
@endif
<div @class(['ends', $choices->boxes($facet)])>
    <label>
        <span class="unseen">{{ $label }}, </span>@say('choices.from') {{ $before }}
        <input type="number" form="{{ $choices->form() }}" name="{{ $choices->parameter($facet) }}" step="any"
            inputmode="decimal" value="{{ $from }}"
            @if ($facet->range !== null) placeholder="{{ $facet->range->least }}" @endif>
    </label>
    <label>
        <span class="unseen">{{ $label }}, </span>@say('choices.to') {{ $before }}
        <input type="number" form="{{ $choices->form() }}" name="{{ $choices->parameter($facet) }}" step="any"
            inputmode="decimal" value="{{ $to }}"
            @if ($facet->range !== null) placeholder="{{ $facet->range->greatest }}" @endif>
    </label>
    @if ($after !== '')<span class="unit">{{ $after }}</span>@endif
</div>
