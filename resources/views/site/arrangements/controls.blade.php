{{-- Shown by the script that makes them work. --}}
@php($arrow = $shown->module->look?->arrows() ?? 'arrow')
<div class="controls" hidden>
    <button type="button" data-previous aria-label="@plain('listing.previous')"
        >{!! \App\Site\Output\Icons::svg("{$arrow}-left") !!}</button>
    <button type="button" data-pause aria-pressed="false" hidden>@say('listing.pause')</button>
    <button type="button" data-next aria-label="@plain('listing.next')"
        >{!! \App\Site\Output\Icons::svg("{$arrow}-right") !!}</button>
</div>
