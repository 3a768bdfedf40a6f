@php($to = $made->value->address ?? $card->address)
@php($of = $made->value->address === null ? $card->title()?->text : null)
@if ($to !== '')
    <span class="{{ $partClass }}">{!! $before !!}<a href="{{ $to }}">{{ $made->text }}@if ($of !== null)<span
        class="unseen">: {{ $of }}</span>@endif</a>{!! $after !!}</span>
@endif
