@php($module = $shown->module)
<section class="module" id="{{ $module->key }}"
    @if ($shown->heading === false) aria-label="{{ $module->name }}"
    @else aria-labelledby="{{ $module->key }}-name" @endif>
    @if ($shown->heading !== false)<h2 id="{{ $module->key }}-name">{{ $shown->heading }}</h2>@endif
    @if ($shown->cards === [])
        <p class="nothing">{{ $module->whenNothing->text ?: \Wellspring\Core\Empty\WhenNothing::TEXT }}</p>
    @else
        @foreach ($shown->groups() as $group)
            @if ($group['heading'] !== null)
                <h3 class="group-head">
                    {{ $group['heading']['words'] }}
                    <span class="group-count">{{ $group['heading']['records'] }}</span>
                </h3>
            @endif
            @include('site.arrangements.'.$module->arrange::key(), ['cards' => $group['cards'], 'shown' => $shown])
        @endforeach
        @includeWhen(
            $shown->pages > 1,
            'site.pages.'.$shown->module->page->mode->value,
            ['shown' => $shown, 'module' => $module]
        )
    @endif
</section>
