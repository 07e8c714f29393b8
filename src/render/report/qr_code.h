// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <QPainter>
#include <QString>

namespace yemvo::render::report {

/// A QR code (ISO/IEC 18004, error correction M) with its quiet zone of four modules, as large as the square
/// that fits into the box. Throws Error for a text too long for one.
void paint_qr(QPainter&, const QRectF&, const QString& text);

}  // namespace yemvo::render::report
