@include('site.video')
