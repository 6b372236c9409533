-- What a photo looks like (sharpness, light, hash), measured when it comes in; and what the fitter was told to look at again.
ALTER TABLE photo_data ADD COLUMN look JSON NULL;
ALTER TABLE photo ADD COLUMN look_again JSON NULL COMMENT 'reasons, empty when good; null when it was not looked over';
