@php($module = $shown->module)
@php($choices = $shown->choices)
<section @class(['module', ...$module->look?->classes() ?? [], ...$choices?->classes() ?? []]) id="{{ $shown->anchor }}"
    @if ($choices === null && $shown->follows() !== null) data-choices-of="{{ $shown->follows() }}" @endif
    @if ($shown->heading === false) aria-label="{{ $module->name }}"
    @else aria-labelledby="{{ $shown->anchor }}-name" @endif>
    @if ($shown->heading !== false)<h{{ $shown->level }}
        class="module-heading" id="{{ $shown->anchor }}-name">{{ $shown->heading }}</h{{ $shown->level }}>@endif
    @if ($choices !== null)
        {{-- What the address says holds, and not what a browser remembers of the controls. --}}
        <form id="{{ $choices->form() }}" method="get" action="{{ $choices->path() }}#{{ $shown->anchor }}"
            autocomplete="off" data-choices="{{ $choices->offer->key }}"
            data-choices-of="{{ $choices->offer->key }}">
            @foreach ($choices->hidden() as $name => $value)
                <input type="hidden" name="{{ $name }}" value="{{ $value }}">
            @endforeach
        </form>
        @if ($choices->stands() !== 'apart')
            <div class="choose" id="{{ $shown->anchor }}-choose">
                @includeWhen($choices->isDrawerOnPhone(), 'site.filters.drawer-head')
                @include('site.filters.panel')
            </div>
        @endif
        <div class="results" id="{{ $shown->anchor }}-results" data-choices-of="{{ $choices->offer->key }}">
            @include('site.choices')
            @include('site.listed')
        </div>
    @else
        @if ($shown->count !== '')<p class="count">{{ $shown->count }}</p>@endif
        @include('site.listed')
    @endif
</section>
