@php($level = $made->part->number('level'))
<h{{ $level }} class="{{ $partClass }}">@if ($card->address !== '')<a
    href="{{ $card->address }}">{{ $made->text }}</a>@else{{ $made->text }}@endif</h{{ $level }}>
