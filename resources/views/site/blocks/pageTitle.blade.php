@if ($subject !== null)
    <h{{ $level }} class="page-title">{{ $subject->title }}</h{{ $level }}>
@endif
