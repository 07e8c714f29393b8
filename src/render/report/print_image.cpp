// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/report/print_image.h"

#include <QBuffer>
#include <QFontDatabase>
#include <QImageReader>

namespace yemvo::render::report {
namespace {

/// An asset's bytes, read as a picture.
class AssetReader {
public:
    AssetReader(const Project& project, const std::string& asset) {
        const auto found = project.assets.find(asset);
        if (found == project.assets.end()) return;
        const Bytes& bytes = *found->second;
        data_ = QByteArray::fromRawData(reinterpret_cast<const char*>(bytes.data()),
                                        static_cast<qsizetype>(bytes.size()));
        buffer_.setData(data_);
        buffer_.open(QIODevice::ReadOnly);
        reader.setDevice(&buffer_);
    }

private:
    QByteArray data_;
    QBuffer buffer_;

public:
    QImageReader reader;
};

}  // namespace

QImage print_image(const Project& project, const std::string& asset) {
    AssetReader of(project, asset);
    of.reader.setAutoTransform(true);
    // a photo of a phone has far more than paper shows
    constexpr int most_px = 1600;
    if (const QSize size = of.reader.size(); size.width() > most_px || size.height() > most_px)
        of.reader.setScaledSize(size.scaled(most_px, most_px, Qt::KeepAspectRatio));
    return of.reader.device() ? of.reader.read() : QImage();
}

bool is_picture(const Project& project, const std::string& asset) {
    AssetReader of(project, asset);
    return of.reader.device() && of.reader.canRead();
}

void paint_image(QPainter& p, const QImage& image, const QRectF& box, Qt::Alignment where) {
    if (image.isNull()) return;
    const QSizeF size = QSizeF(image.size()).scaled(box.size(), Qt::KeepAspectRatio);
    QPointF at = box.topLeft();
    if (where & Qt::AlignHCenter) at.rx() += (box.width() - size.width()) / 2;
    if (where & Qt::AlignRight) at.rx() += box.width() - size.width();
    if (where & Qt::AlignVCenter) at.ry() += (box.height() - size.height()) / 2;
    if (where & Qt::AlignBottom) at.ry() += box.height() - size.height();
    p.drawImage(QRectF(at, size), image);
}

bool printing_fonts_there() { return !QFontDatabase::families().isEmpty(); }

}  // namespace yemvo::render::report
