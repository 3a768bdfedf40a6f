@foreach ($pieces as $piece)@if ($piece['isMarked'])<mark>{{ $piece['text'] }}</mark>@else{{ $piece['text']
}}@endif{{--
--}}@endforeach
