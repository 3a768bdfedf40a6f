@php([$from, $to] = $facet->chosen->ends ?? [null, null])
@php($label = $facet->filter->label())
@php($links = $choices->dayLinks($facet))
@if (count($links) > 1)
    <ul class="choice-list" aria-label="{{ $label }}">
        @foreach ($links as $link)
            <li><a href="{{ $link['address'] }}" rel="nofollow" @if ($link['isChosen']) aria-current="true" @endif>{{
                $link['words'] }}@if ($facet->filter->counts) <span class="n">{{ $link['count'] }}</span>@endif</a></li>
        @endforeach
    </ul>
@endif
<div class="ends">
    @foreach (['from' => $from, 'to' => $to] as $word => $day)
        <label>
            <span class="unseen">{{ $label }}, </span>@say("choices.{$word}")
            <input type="date" form="{{ $choices->form() }}" name="{{ $choices->parameter($facet) }}" value="{{ $day }}"
                @if ($facet->range !== null) min="{{ $facet->range->least }}" max="{{ $facet->range->greatest }}"
                @endif>
        </label>
    @endforeach
</div>
