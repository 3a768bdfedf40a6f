@foreach ($card->lines as $line)
    <div @class(['line', 'line-picture' => $line[0]->part->kind->showsPicture() && ! $line[0]->said])>
        @foreach ($line as $made)
            @include(
                $made->said ? 'site.parts.said' : 'site.parts.'.$made->part->kind->key(),
                ['made' => $made, 'card' => $card, 'shown' => $shown]
            )
        @endforeach
    </div>
@endforeach
