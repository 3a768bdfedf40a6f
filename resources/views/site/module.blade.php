@php($module = $shown->module)
<section class="module" id="{{ $module->key }}" aria-labelledby="{{ $module->key }}-name">
    <h2 id="{{ $module->key }}-name">{{ $module->name }}</h2>
    @if ($shown->cards === [])
        <p class="nothing">{{ $module->whenNothing->text }}</p>
    @else
        <ul @class(['cards', 'as-list' => $shown->isList, 'as-grid' => ! $shown->isList])
            style="--phone:{{ $shown->columns['phone'] }};--tablet:{{ $shown->columns['tablet'] }};--laptop:{{ $shown->columns['laptop'] }};--desktop:{{ $shown->columns['desktop'] }}">
            @foreach ($shown->cards as $card)
                <li class="card">
                    @foreach ($card->lines as $line)
                        @php($picture = $line[0]->part->kind->key() === 'picture' && ! $line[0]->said)
                        <div @class(['line', 'line-picture' => $picture])>
                            @foreach ($line as $made)
                                @includeFirst($made->said ? ['site.parts.said'] : ['site.parts.'.$made->part->kind->key()], ['made' => $made, 'card' => $card, 'shown' => $shown])
                            @endforeach
                        </div>
                    @endforeach
                </li>
            @endforeach
        </ul>
        @if ($shown->pages > 1)
            <nav class="pages" aria-label="Pages of {{ $module->name }}">
                @if ($shown->page > 1)<a rel="prev" href="{{ $shown->pageAddress($shown->page - 1) }}">Previous</a>@endif
                @foreach ($shown->numbers as $number)
                    @if ($number === null)
                        <span class="gap" aria-hidden="true">…</span>
                    @elseif ($number === $shown->page)
                        <span class="here" aria-current="page">{{ $number }}</span>
                    @else
                        <a href="{{ $shown->pageAddress($number) }}" aria-label="Page {{ $number }}">{{ $number }}</a>
                    @endif
                @endforeach
                @if ($shown->page < $shown->pages)<a rel="next" href="{{ $shown->pageAddress($shown->page + 1) }}">Next</a>@endif
            </nav>
        @endif
    @endif
</section>
