<h{{ $made->part->level ?? 3 }} class="part title"><a href="{{ $card->address }}">{{ $made->text }}</a></h{{ $made->part->level ?? 3 }}>
