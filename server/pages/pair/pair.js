const form = document.querySelector('form');
const code = document.querySelector('#code');
const name = document.querySelector('#name');
const problem = document.querySelector('#problem');
const button = document.querySelector('button');

if (/iPad/.test(navigator.userAgent)) name.value = 'iPad';
else if (!/iPhone|Android|Mobile/.test(navigator.userAgent)) name.value = 'Computer';

form.addEventListener('submit', async (event) => {
  event.preventDefault();
  problem.textContent = '';
  button.disabled = true;
  try {
    const answer = await fetch('/api/pair', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ code: code.value.replace(/\s/g, ''), name: name.value }),
    });
    if (answer.ok) {
      location.replace('/');
      return;
    }
    problem.textContent = (await answer.json()).error.message.replace(/^(code|name): /, '');
    code.select();
  } catch {
    problem.textContent = 'The computer cannot be reached. Is Lemniscus still running there?';
  }
  button.disabled = false;
});
