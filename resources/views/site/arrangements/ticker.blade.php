@php($values = $shown->module->arrange->values)
<div class="ticker" data-ticker data-effect="{{ $values->text('effect') }}"
    data-seconds="{{ $values->number('seconds') }}">
    @if ($values->flag('today'))
        <time class="today" datetime="{{ $shown->today['day'] }}">{{ $shown->today['words'] }}</time>
    @endif
    <ul @class($shown->listClasses())>
        @foreach ($cards as $card)
            <li class="card">@include('site.card')</li>
        @endforeach
    </ul>
    @include('site.arrangements.controls')
</div>
