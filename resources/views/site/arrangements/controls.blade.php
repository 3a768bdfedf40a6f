{{-- Shown by the script that makes them work. --}}
@php($arrow = $shown->module->look?->arrows() ?? 'arrow')
<div class="controls" hidden>
    <button type="button" data-previous aria-label="Previous"
        >{!! \App\Site\Output\Icons::svg("{$arrow}-left") !!}</button>
    <button type="button" data-pause aria-pressed="false" hidden>Pause</button>
    <button type="button" data-next aria-label="Next"
        >{!! \App\Site\Output\Icons::svg("{$arrow}-right") !!}</button>
</div>
