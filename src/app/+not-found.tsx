export { NotFound as default } from '@/features/NotFound';
