@php($level = $made->part->number('level', 3))
<h{{ $level }} class="part title">@if ($card->address !== '')<a
    href="{{ $card->address }}">{{ $made->text }}</a>@else{{ $made->text }}@endif</h{{ $level }}>
