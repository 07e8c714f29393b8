#include "app/shell/lens_bar.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <QToolButton>

#include "app/shell/theme.h"
#include "render/plan_marks.h"
#include "render/text_style.h"

namespace yemvo::app {

static QIcon band_icon(BandId id) {
    QIcon result;
    for (qreal ratio : {1.0, 2.0}) {
        QPixmap pixmap(QSize(12, 12) * ratio);
        pixmap.setDevicePixelRatio(ratio);
        pixmap.fill(Qt::transparent);
        QPainter p(&pixmap);
        render::paint_band_glyph(p, QPointF(6, 6), id, theme());
        p.end();
        result.addPixmap(pixmap);
    }
    return result;
}

LensBar::LensBar(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
    setFixedHeight(38);
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(10, 0, 12, 0);
    row->setSpacing(0);
    lens_ = new QComboBox(this);
    lens_->setObjectName("barCombo");
    lens_->setAccessibleName("Lens");
    lens_->setFixedWidth(178);
    for (const LensInfo& info : lenses()) {
        lens_->addItem(QString::fromStdString(info.name));
        lens_->setItemData(lens_->count() - 1, QString::fromStdString(info.meaning), Qt::ToolTipRole);
    }
    connect(lens_, &QComboBox::activated, this, [this](int index) {
        const LensInfo& info = lenses()[static_cast<std::size_t>(index)];
        workspace_.set_map({info.id, workspace_.map().band, info.limit});
    });
    row->addWidget(lens_);
    row->addSpacing(8);
    for (const Band& b : bands()) {
        auto* button = new QToolButton(this);
        button->setObjectName("segment");
        button->setAccessibleName("band " + QString::fromStdString(b.name));
        button->setIcon(band_icon(b.id));
        button->setIconSize({12, 12});
        button->setToolButtonStyle(Qt::ToolButtonTextBesideIcon);
        button->setText(" " + QString::fromStdString(b.name));
        button->setToolTip(QString::fromStdString(b.name) + " GHz");
        button->setCheckable(true);
        connect(button, &QToolButton::clicked, this, [this, id = b.id] {
            render::MapChoice choice = workspace_.map();
            choice.band = id;
            workspace_.set_map(choice);
            refresh();
        });
        row->addWidget(button);
        bands_.push_back(button);
    }
    row->addSpacing(12);
    words_ = new QLabel(this);
    words_->setObjectName("muted");
    words_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    row->addWidget(words_, 1);
    for (auto signal : {&Workspace::map_changed, &Workspace::step_changed, &Workspace::project_changed,
                        &Workspace::floor_changed, &Workspace::drawing_changed, &Workspace::site_changed})
        connect(&workspace, signal, this, &LensBar::refresh);
    refresh();
}

void LensBar::refresh() {
    const bool on = workspace_.map_shown() && !workspace_.site_shown();
    const LensInfo& info = lens(workspace_.map().lens);
    lens_->setCurrentIndex(static_cast<int>(workspace_.map().lens));
    lens_->setToolTip(QString::fromStdString(info.meaning));
    lens_->setVisible(on);
    for (std::size_t i = 0; i < bands_.size(); ++i) {
        bands_[i]->setChecked(workspace_.map().band.index == i);
        bands_[i]->setVisible(on);
    }
    const Floor* f = workspace_.floor();
    if (workspace_.site_shown())
        words_->setText("the site from above");
    else if (on && f)
        words_->setText("client at " +
                        QString::fromStdString(format_length(workspace_.project().settings.client_height_m,
                                                             workspace_.units())));
    else if (const Drawing* d = workspace_.drawing())
        words_->setText((f->drawings->size() > 1 ? QString("%1 drawings, ").arg(f->drawings->size())
                                                 : QString("drawing  ")) +
                        QString::fromStdString(d->name) + (d->to_scale() ? "" : ", no scale yet"));
    else
        words_->setText(f ? "no drawing under this floor" : "");
}

void LensBar::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), theme().chrome);
    p.fillRect(QRect(0, height() - 1, width(), 1), theme().line);
}

}  // namespace yemvo::app
