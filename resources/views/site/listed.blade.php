@php($level = $shown->heading === false ? 2 : min(6, $shown->level + 1))
@if ($shown->cards === [])
    <div class="nothing">@if ($shown->nothing !== ''){!! $shown->nothing !!}@else
        <p>
            @if ($module->whenNothing->saysBuiltIn())
                @say('listing.nothing')
            @else
                {{ $module->whenNothing->text }}
            @endif
        </p>
    @endif
    @php($without = $choices?->withoutEach() ?? [])
    @if ($without !== [])
        <p>@say('listing.withoutOne')</p>
        <ul class="without">
            @foreach ($without as $one)
                <li><a href="{{ $one['address'] }}" rel="nofollow"
                    >@say('listing.without', ['choice' => $one['words']]) <span class="n">{{
                    $one['count'] }}</span></a></li>
            @endforeach
        </ul>
    @endif</div>
@else
    @includeWhen($shown->letters() !== [], 'site.letters')
    @foreach ($shown->groups() as $i => $group)
        @if ($group['heading'] !== null)
            <h{{ $level }} class="group-head" id="{{ $shown->anchor }}-{{ $i + 1 }}">
                {{ $group['heading']['words'] }}
                <span class="group-count">{{ $group['heading']['records'] }}</span>
            </h{{ $level }}>
        @endif
        @include('site.arrangements.'.$module->arrange::key(), ['cards' => $group['cards'], 'shown' => $shown])
    @endforeach
    @includeWhen(
        $shown->pages > 1,
        'site.pages.'.$shown->module->page->mode->value,
        ['shown' => $shown, 'module' => $module]
    )
    @if ($shown->pages > 1)
        <p class="print-all"><a href="{{ $shown->pageAddress(1) }}" data-print-all="{{ $shown->anchor }}" rel="nofollow"
            hidden>@say('listing.printAll')</a></p>
    @endif
    @php($led = array_values(array_filter(array_column($shown->cards, 'address'))))
    @includeWhen(count($led) > 1, 'site.structured', ['data' => [
        '@context' => 'https://schema.org',
        '@type' => 'ItemList',
        'itemListElement' => array_map(fn (string $address, int $i): array => [
            '@type' => 'ListItem',
            'position' => ($shown->page - 1) * $module->page->size + $i + 1,
            'url' => rtrim(config('app.url'), '/').$address,
        ], $led, array_keys($led)),
    ]])
@endif
