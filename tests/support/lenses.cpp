#include "support/lenses.h"
#include "picture/lens.h"

#include <exiv2/exiv2.hpp>
#include <fstream>

namespace baryton::test {

void addOwnLenses(const std::filesystem::path& folder) {
    std::filesystem::create_directories(folder);
    std::ofstream(folder / "own.xml") << R"(<lensdatabase version="1">
  <mount><name>Tin bayonet</name></mount>
  <camera><maker>Tin Heron</maker><model>Model One</model><mount>Tin bayonet</mount><cropfactor>1.5</cropfactor></camera>
  <lens>
    <maker>Tin Heron</maker><model>Tin Heron Stagelight 24mm f/2</model>
    <mount>Tin bayonet</mount><cropfactor>1.5</cropfactor>
    <calibration>
      <distortion model="ptlens" focal="24" a="0.012" b="-0.055" c="0.008"/>
      <tca model="poly3" focal="24" br="0.0002" vr="1.0007" bb="-0.0001" vb="0.9994"/>
      <vignetting model="pa" focal="24" aperture="2" distance="1000" k1="-1.1" k2="0.8" k3="-0.3"/>
      <vignetting model="pa" focal="24" aperture="8" distance="1000" k1="-0.3" k2="0.1" k3="-0.05"/>
    </calibration>
  </lens>
  <lens>
    <maker>Tin Heron</maker><model>Tin Heron Plain 50mm f/4</model>
    <mount>Tin bayonet</mount><cropfactor>1</cropfactor>
    <calibration><distortion model="poly3" focal="50" k1="0.03"/></calibration>
  </lens>
</lensdatabase>)";
    addLensFolder(folder);
}

void writeShot(const std::filesystem::path& jpeg, const char* lens, int focal, double aperture, const char* camera) {
    const auto image = Exiv2::ImageFactory::open(jpeg.string());
    image->readMetadata();
    Exiv2::ExifData& exif = image->exifData();
    exif["Exif.Image.Make"] = "Tin Heron";
    exif["Exif.Image.Model"] = camera;
    exif["Exif.Photo.LensModel"] = lens;
    exif["Exif.Photo.FocalLength"] = Exiv2::Rational(focal, 1);
    exif["Exif.Photo.FNumber"] = Exiv2::Rational(static_cast<int>(aperture * 10), 10);
    image->writeMetadata();
}

} // namespace baryton::test
