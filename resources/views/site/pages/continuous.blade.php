@include('site.pages.more')
