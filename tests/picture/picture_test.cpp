#include "colour/transfer.h"
#include "picture/picture.h"
#include "support/samples.h"

#include <gtest/gtest.h>
#include <vips/vips8>

namespace baryton::test {

TEST(Picture, CopiesShareUntilOneIsWrittenTo) {
    Picture a = randomPicture(33, 9);
    const Picture& readA = a;
    Picture b = a;
    EXPECT_EQ(readA.row(0, 0), static_cast<const Picture&>(b).row(0, 0));
    b.row(0, 0)[0] = 9;
    EXPECT_NE(readA.row(0, 0)[0], 9);
    EXPECT_EQ(a.stride() % kRowPad, 0u);
}

TEST(Picture, HalvingAveragesLight) {
    Picture picture(4, 2);
    for (int k = 0; k < 3; ++k)
        for (int x = 0; x < 4; ++x)
            picture.row(k, 0)[x] = picture.row(k, 1)[x] = x < 2 ? (x % 2 ? 1.0F : 0.0F) : 0.25F;
    const Picture half = halved(picture);
    ASSERT_EQ(half.width(), 2);
    ASSERT_EQ(half.height(), 1);
    EXPECT_NEAR(half.row(0, 0)[0], linearToSrgb(0.5), 1e-5) << "black and white mix as light does, to 188, not 128";
    EXPECT_NEAR(half.row(0, 0)[1], 0.25, 1e-6);
    EXPECT_EQ(halved(Picture(7, 5)).width(), 4);
    EXPECT_EQ(halved(Picture(1, 1)).height(), 1);
}

TEST(Picture, ResizingKeepsFlatColoursAndSize) {
    Picture picture(301, 199);
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < 199; ++y)
            for (int x = 0; x < 301; ++x) picture.row(k, y)[x] = 0.2F + 0.3F * static_cast<float>(k);
    for (const auto& [w, h] : {std::pair(100, 66), std::pair(37, 24), std::pair(400, 250), std::pair(1, 1)}) {
        const Picture small = resized(picture, w, h);
        ASSERT_EQ(small.width(), w);
        ASSERT_EQ(small.height(), h);
        for (int k = 0; k < 3; ++k) EXPECT_NEAR(small.row(k, h / 2)[w / 2], 0.2 + 0.3 * k, 2e-4) << w << "×" << h;
    }
}

TEST(Picture, ResizingGivesWhatLibvipsGives) {
    // The judge works on linear light, in one plane, with the same kernel.
    const Picture picture = paintedPicture(300, 200);
    Picture linear = picture;
    for (int y = 0; y < 200; ++y)
        for (int x = 0; x < 300; ++x) linear.row(0, y)[x] = static_cast<float>(srgbToLinear(picture.row(0, y)[x]));
    std::vector<float> plane;
    for (int y = 0; y < 200; ++y) plane.insert(plane.end(), linear.row(0, y), linear.row(0, y) + 300);
    const auto source =
        vips::VImage::new_from_memory(plane.data(), plane.size() * sizeof(float), 300, 200, 1, VIPS_FORMAT_FLOAT);
    for (const auto& [w, h] : {std::pair(210, 140), std::pair(120, 80), std::pair(90, 60)}) {
        const auto theirs = source.resize(
            w / 300.0,
            vips::VImage::option()->set("vscale", h / 200.0)->set("kernel", VIPS_KERNEL_LANCZOS3)->set("gap", 0.0));
        size_t size = 0;
        float* values = static_cast<float*>(theirs.write_to_memory(&size));
        const Picture ours = resized(picture, w, h);
        double sum = 0;
        // The smooth part: beside the checkers below it ours is held to the range of the pixels, theirs rings. And
        // libvips treats the edge otherwise: it repeats the last pixel.
        const int end = h * 6 / 10;
        for (int y = 4; y < end; ++y)
            for (int x = 4; x < w - 4; ++x) sum += std::abs(srgbToLinear(ours.row(0, y)[x]) - values[y * w + x]);
        EXPECT_LT(sum / ((w - 8.0) * (end - 4.0)), 2e-4) << w << " × " << h;
        g_free(values);
    }
}

TEST(Picture, NoReducedPictureRings) {
    // Grey 40 beside white 250: free Lanczos in linear light makes it 0, a black ring about every lamp.
    Picture picture(240, 160);
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < 160; ++y)
            for (int x = 0; x < 240; ++x) picture.row(k, y)[x] = (x / 30 + y / 40) % 2 ? 250.0F / 255 : 40.0F / 255;
    for (const auto& [w, h] : {std::pair(239, 159), std::pair(150, 100), std::pair(77, 51), std::pair(31, 20)}) {
        const Picture small = scaledDown(picture, w, h);
        for (int k = 0; k < 3; ++k)
            for (int y = 0; y < h; ++y)
                for (int x = 0; x < w; ++x) {
                    ASSERT_GE(small.row(k, y)[x], 40.0 / 255 - 1e-4) << w << " × " << h << " at " << x << ", " << y;
                    ASSERT_LE(small.row(k, y)[x], 250.0 / 255 + 1e-4) << w << " × " << h << " at " << x << ", " << y;
                }
    }
    // Whatever the picture is, nothing leaves the range of all of it.
    const Picture noise = randomPicture(97, 61, 5);
    const Picture small = scaledDown(noise, 40, 25);
    for (int y = 0; y < 25; ++y)
        for (int x = 0; x < 40; ++x) {
            EXPECT_GE(small.row(0, y)[x], -1.001);
            EXPECT_LE(small.row(0, y)[x], 4.001);
        }
}

TEST(Picture, TheHiddenColourOfTransparentPixelsDoesNotShow) {
    Picture picture(64, 48, true);
    for (int y = 0; y < 48; ++y)
        for (int x = 0; x < 64; ++x) {
            const bool isSeen = x >= 21;
            for (int k = 0; k < 3; ++k) picture.row(k, y)[x] = isSeen ? 0.5F : k == 0 ? 1.0F : 0.0F;
            picture.row(3, y)[x] = isSeen ? 1.0F : 0.0F;
        }
    for (const auto& [w, h] : {std::pair(50, 37), std::pair(32, 24), std::pair(17, 13)}) {
        const Picture small = scaledDown(picture, w, h);
        bool hasEdge = false;
        for (int x = 0; x < w; ++x) {
            const float alpha = small.row(3, h / 2)[x];
            hasEdge = hasEdge || (alpha > 0.01 && alpha < 0.99);
            if (alpha > 0.01)
                for (int k = 0; k < 3; ++k) EXPECT_NEAR(small.row(k, h / 2)[x], 0.5, 1e-4) << w << ": " << x;
        }
        EXPECT_TRUE(hasEdge || w == 32) << w;
    }
}

TEST(Picture, CroppingTakesThePartNamed) {
    const Picture picture = randomPicture(40, 30);
    const Picture part = cropped(picture, 7, 11, 20, 5);
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < 5; ++y)
            for (int x = 0; x < 20; ++x) EXPECT_EQ(part.row(k, y)[x], picture.row(k, y + 11)[x + 7]);
}

TEST(Quantised, RoundsToNearestAndClips) {
    QuantisedPicture eight(4, 1, 3, 8), sixteen(4, 1, 3, 16);
    const float v[4] = {-0.2F, 0.5F / 255 + 1e-4F, 0.4999F, 1.7F};
    eight.setRow(0, 0, 4, v, v, v, nullptr);
    sixteen.setRow(0, 0, 4, v, v, v, nullptr);
    EXPECT_EQ(eight.bytes[0], 0);
    EXPECT_EQ(eight.bytes[3], 1);
    EXPECT_EQ(eight.bytes[6], 127);
    EXPECT_EQ(eight.bytes[9], 255);
    const auto* words = reinterpret_cast<const std::uint16_t*>(sixteen.bytes.data());
    EXPECT_EQ(words[0], 0);
    EXPECT_EQ(words[6], std::lround(0.4999 * 65535));
    EXPECT_EQ(words[9], 65535);
}

} // namespace baryton::test
