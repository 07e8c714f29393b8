// SPDX-License-Identifier: GPL-3.0-or-later
// The preparation page's left side: pages with their thumbnails, or layers.
#include <QLabel>
#include <QListWidget>
#include <QPainter>
#include <QSignalBlocker>
#include <algorithm>

#include "app/drawings/prepare_page.h"
#include "app/look/theme.h"
#include "exchange/cad_drawing.h"
#include "render/tr.h"

namespace yemvo::app {

void PreparePage::fill_pages() {
    const QSignalBlocker quiet(pages_);
    const int count = file_.sheet->pages();
    const bool shown = count > 1 && task_.kind != PrepareTask::Kind::again;
    pages_->setVisible(shown);
    if (shown) left_head_->setText(counted("%n page", "%n pages", count));
    if (shown && pages_->count() == count &&
        pages_->property("file").toString().toStdString() == file_.name) {
        pages_->setCurrentRow(file_.source.page);
        return;
    }
    pages_->clear();
    pages_->setProperty("file", QString::fromStdString(file_.name));
    thumbnails_wanted_.clear();
    if (!shown) return;
    for (int i = 0; i < count; ++i) {
        auto* item = new QListWidgetItem(tr("Page %1").arg(i + 1), pages_);
        QPixmap empty(150, 106);
        empty.fill(theme().floor);
        item->setIcon(QIcon(empty));
        if (i < 200) thumbnails_wanted_.push_back(i);
    }
    pages_->setCurrentRow(file_.source.page);
    std::reverse(thumbnails_wanted_.begin(), thumbnails_wanted_.end());
    next_thumbnail();
}

/// A page of a file, small.
static QImage thumbnail(const OpenedFile& opened) {
    const Box& s = opened.source.sheet;
    const double k = 150 / std::max(s.width(), s.height());
    const QSize size(std::max(8, static_cast<int>(s.width() * k)),
                     std::max(8, static_cast<int>(s.height() * k)));
    QImage image(size, QImage::Format_ARGB32_Premultiplied);
    image.fill(Qt::white);
    QPainter p(&image);
    opened.sheet->paint(p, QTransform::fromScale(k, k), QRectF(image.rect()), {}, {});
    return image;
}

/// One after another, so that the page a person chooses does not wait for all of them.
void PreparePage::next_thumbnail() {
    if (thumbnails_wanted_.empty()) return;
    const int page = thumbnails_wanted_.back();
    const auto show = [this, page](const QImage& image) {
        if (thumbnails_wanted_.empty() || thumbnails_wanted_.back() != page) return;
        thumbnails_wanted_.pop_back();
        if (QListWidgetItem* item = pages_->item(page); item && !image.isNull())
            item->setIcon(QIcon(QPixmap::fromImage(image)));
        next_thumbnail();
    };
    thumbnails_.request(job(
        {},
        [name = file_.name, bytes = file_.bytes, page](const AtWork& at) {
            return thumbnail(open_drawing(name, bytes, page, at.cancel()));
        },
        show,
        // a page that cannot be read has no picture: it says why when it is chosen
        [show](const QString&) { show({}); }));
}

void PreparePage::choose_page(int page) {
    facts_->setText(tr("Reading page %1…").arg(page + 1));
    reading_ = true;
    page_reader_.request(job(
        {},
        [name = file_.name, bytes = file_.bytes, page](const AtWork& at) {
            return open_drawing(name, bytes, page, at.cancel());
        },
        [this, task = task_](OpenedFile opened) {
            const Drawing look = drawing_;  // the sheets of a set look alike
            const double ratio = ratio_;
            begin(task, std::move(opened));
            drawing_.lighten = look.lighten;
            drawing_.inverted = look.inverted;
            drawing_.opacity = look.opacity;
            drawing_.placement = look.placement;
            ratio_ = ratio;
            rebuild();
            refresh();
        },
        [this](const QString& why) {
            reading_ = false;
            facts_->setText(why);
        }));
}

void PreparePage::fill_layers() {
    const QSignalBlocker quiet(layers_);
    layers_->clear();
    const CadDrawing* cad = file_.sheet->cad();
    layers_->setVisible(cad != nullptr);
    left_column_->setVisible(cad != nullptr || pages_->isVisibleTo(left_column_));
    if (!cad) return;
    const auto& hidden = file_.source.hidden_layers;
    int used = 0;
    std::vector<std::size_t> words_on(cad->layers.size(), 0);
    for (const CadText& t : cad->texts) ++words_on[static_cast<std::size_t>(t.layer)];
    for (const CadLayer& layer : cad->layers) {
        const auto words = words_on[static_cast<std::size_t>(&layer - cad->layers.data())];
        if (layer.segments + layer.arcs + words == 0) continue;
        ++used;
        auto* item = new QListWidgetItem(layers_);
        item->setText(QString::fromStdString(layer.name) + "  " +
                      QString::number(layer.segments + layer.arcs + words));
        item->setToolTip(
            tr("%1 straight and %2 curved pieces, %3 texts").arg(layer.segments).arg(layer.arcs).arg(words));
        item->setData(Qt::UserRole, QString::fromStdString(layer.name));
        item->setFlags(Qt::ItemIsUserCheckable | Qt::ItemIsEnabled | Qt::ItemIsSelectable);
        const bool off = std::find(hidden.begin(), hidden.end(), layer.name) != hidden.end();
        item->setCheckState(off ? Qt::Unchecked : Qt::Checked);
    }
    left_head_->setText(counted("%n layer", "%n layers", used));
}

}  // namespace yemvo::app
