<h{{ $made->part->level ?? 3 }} class="part title">@if ($card->address !== '')<a href="{{ $card->address }}">{{ $made->text }}</a>@else{{ $made->text }}@endif</h{{ $made->part->level ?? 3 }}>
