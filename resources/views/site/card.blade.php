@foreach ($card->lines as $line)
    <div @class(['line', 'line-picture' => $line[0]->standsForPicture()])>
        @foreach ($line as $made)@include('site.part')@endforeach
    </div>
@endforeach
