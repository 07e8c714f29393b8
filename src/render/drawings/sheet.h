// SPDX-License-Identifier: GPL-3.0-or-later
// A drawing file opened for painting: picture, PDF page, SVG or CAD drawing.
#pragma once
#include <QImage>
#include <QPainter>
#include <QTransform>
#include <memory>
#include <string>
#include <vector>

#include "base/progress.h"
#include "project/project.h"

namespace yemvo {
struct CadDrawing;
}

namespace yemvo::render {

/// Never changed once opened; paint() may run on any thread, one at a time a sheet.
class Sheet {
public:
    virtual ~Sheet() = default;
    /// All there is to see, in sheet coordinates (venue/drawing.h).
    virtual Box box() const = 0;
    /// Dark ink on nothing or on white. `to_px`: from sheet coordinates; `visible`: the pixels wanted.
    virtual void paint(QPainter&, const QTransform& to_px, const QRectF& visible,
                       const std::vector<std::string>& hidden_layers, const CancelToken&) const = 0;
    /// What the file holds that is not shown, and why; each a sentence.
    virtual std::vector<Said> left_out() const { return {}; }
    /// Memory it keeps, about.
    virtual std::size_t bytes() const = 0;
    /// Of a CAD drawing; null for other kinds.
    virtual const CadDrawing* cad() const { return nullptr; }
    /// How many pages the file has.
    virtual int pages() const { return 1; }
    /// Metres on paper that a sheet unit stands for; 0 where the file does not say.
    virtual double paper_m() const { return 0; }
    /// What is written on it, where it has writing and not only its picture.
    virtual QString words() const { return {}; }
};

/// What the bytes are, judged by themselves first and by the name's ending second. Throws Error naming `name`
/// for what is none of the kinds.
DrawingKind kind_of_file(const Bytes&, const std::string& name);

/// Throws Error naming `name` with the reason: empty, damaged, cut short, encrypted, too large, nothing in
/// it.
std::shared_ptr<const Sheet> open_sheet(std::shared_ptr<const Bytes>, DrawingKind, int page,
                                        const std::string& name, const CancelToken& = {});

// One a kind, for open_sheet.
std::shared_ptr<const Sheet> open_picture(const Bytes&, int page, const std::string& name);
std::shared_ptr<const Sheet> open_pdf(std::shared_ptr<const Bytes>, int page, const std::string& name);
std::shared_ptr<const Sheet> open_svg(const Bytes&, const std::string& name);
std::shared_ptr<const Sheet> open_cad(const Bytes&, const std::string& name, const CancelToken&);

/// An SVG text made safe and small: outside references, entities, loops and what the painter ignores are
/// taken out and told. Throws Error for what is no SVG or grows beyond reason.
struct CleanSvg {
    QByteArray text;
    std::vector<Said> left_out;
};
CleanSvg clean_svg(const Bytes&, const std::string& name);

/// White becomes transparent, everything else looks over white as it did; then lightened or inverted.
void make_ink(QImage& premultiplied, bool inverted, double lighten);
/// Light ink becomes dark and dark ink light; hues stay.
void swap_light_and_dark(QImage& premultiplied);

}  // namespace yemvo::render
