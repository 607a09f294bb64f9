# A house in a container: serves by HTTPS to its network; everything that must stay lies in /data.
FROM node:20-bookworm-slim
RUN apt-get update \
  && DEBIAN_FRONTEND=noninteractive apt-get install -y --no-install-recommends mariadb-server \
  && rm -rf /var/lib/apt/lists/* /var/lib/mysql
WORKDIR /limnos
COPY . .
# What only the build needs is taken out again in the same step.
RUN node -e "import('./scripts/lib/prepare.mjs').then((p) => { p.needModules(); p.needBuild(); })" \
  && npm prune --omit=dev --no-audit --no-fund \
  && rm -rf /root/.npm \
  && mkdir /data && chown -R node:node /data /limnos
USER node
ENV LIMNOS_DATA=/data
VOLUME /data
EXPOSE 8443 8137
# The name or address by which devices reach it: LIMNOS_SHOP_HOST, LIMNOS_SHOP_IP.
CMD ["node", "scripts/start.mjs", "--empty", "--shop"]
