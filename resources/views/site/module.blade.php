@php($module = $shown->module)
<section class="module" id="{{ $module->key }}" aria-labelledby="{{ $module->key }}-name">
    <h2 id="{{ $module->key }}-name">{{ $module->name }}</h2>
    @if ($shown->cards === [])
        <p class="nothing">{{ $module->whenNothing->text }}</p>
    @else
        @foreach ($shown->groups() as $group)
            @if ($group['heading'] !== null)
                <h3 class="group-head">{{ $group['heading']['words'] }} <span class="group-count">{{ $group['heading']['records'] }}</span></h3>
            @endif
            <ul @class(['cards', 'as-list' => $shown->isList, 'as-grid' => ! $shown->isList, ...$shown->columnClasses()])>
                @foreach ($group['cards'] as $card)
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
        @endforeach
        @includeWhen($shown->pages > 1, 'site.pages.'.$shown->module->page->mode->value, ['shown' => $shown, 'module' => $module])
    @endif
</section>
