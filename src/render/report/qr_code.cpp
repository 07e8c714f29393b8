// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/report/qr_code.h"

#include <qrencode.h>

#include <memory>

#include "base/error.h"

namespace yemvo::render::report {

void paint_qr(QPainter& p, const QRectF& box, const QString& text) {
    struct Free {
        void operator()(QRcode* code) const { QRcode_free(code); }
    };
    const QByteArray utf8 = text.toUtf8();
    const std::unique_ptr<QRcode, Free> code(QRcode_encodeString8bit(utf8.constData(), 0, QR_ECLEVEL_M));
    if (!code) throw Error(say("is too long for a QR code"), text.left(60).toStdString());
    constexpr int quiet = 4;
    const double module = std::min(box.width(), box.height()) / (code->width + 2 * quiet);
    p.save();
    p.setRenderHint(QPainter::Antialiasing, false);
    p.setPen(Qt::NoPen);
    p.fillRect(QRectF(box.topLeft(), QSizeF(1, 1) * module * (code->width + 2 * quiet)), Qt::white);
    // dark modules of a row in one piece, so that no seams show between them
    for (int y = 0; y < code->width; ++y)
        for (int x = 0; x < code->width;) {
            const auto dark = [&](int at) {
                return at < code->width && (code->data[y * code->width + at] & 1);
            };
            int end = x;
            while (dark(end)) ++end;
            if (end > x)
                p.fillRect(QRectF(box.left() + (x + quiet) * module, box.top() + (y + quiet) * module,
                                  (end - x) * module, module * 1.02),
                           Qt::black);
            x = std::max(end, x + 1);
        }
    p.restore();
}

}  // namespace yemvo::render::report
