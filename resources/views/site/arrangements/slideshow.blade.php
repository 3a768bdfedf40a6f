<div class="slideshow" data-slideshow data-seconds="{{ $shown->module->arrange->values->number('seconds') }}">
    <ul @class($shown->listClasses()) tabindex="0">
        @foreach ($cards as $card)
            <li class="card">@include('site.card')</li>
        @endforeach
    </ul>
    @include('site.arrangements.controls')
</div>
