const theme = localStorage.getItem('seriatim.theme')
if (theme) document.documentElement.dataset.theme = theme
